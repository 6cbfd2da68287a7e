/** One frame of an animation and the moment of the file at which it appears. */
export interface PictureFrame {
  bitmap: ImageBitmap
  startsMs: number
}

/** The frame that is seen at a moment of the file. */
export function frameAt(frames: readonly PictureFrame[], atMs: number): PictureFrame | undefined {
  let found = frames[0]
  for (const frame of frames) {
    if (frame.startsMs > atMs) break
    found = frame
  }
  return found
}
