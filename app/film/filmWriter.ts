import type { FilmPlan } from '../../core/film/filmPlan.ts'

/** Writes a film, frame by frame; runs in a worker. */
export interface FilmWriter {
  /** Takes a frame, and closes it. Frames come in order. */
  add(bitmap: ImageBitmap, frame: number): Promise<void>
  finish(): Promise<Blob>
}

/** Reads the pixels of frames of one size, as one number each, colours not premultiplied. */
export function pixelReader({ widthPx, heightPx }: FilmPlan): (bitmap: ImageBitmap) => Uint32Array<ArrayBuffer> {
  const context = new OffscreenCanvas(widthPx, heightPx).getContext('2d', { willReadFrequently: true })
  return (bitmap) => {
    if (!context) throw new Error('There is no canvas to read from')
    context.clearRect(0, 0, widthPx, heightPx)
    context.drawImage(bitmap, 0, 0)
    bitmap.close()
    return new Uint32Array(context.getImageData(0, 0, widthPx, heightPx).data.buffer)
  }
}
