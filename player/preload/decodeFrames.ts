import type { PictureFrame } from './frames.ts'

export interface DecodedFrames {
  frames: PictureFrame[]
  widthPx: number
  heightPx: number
}

/** Decoded frames of one file take no more memory than this; larger ones are kept smaller. */
const budgetBytes = 96 * 1024 * 1024
const maxFrames = 600

/**
 * Decodes every frame of an animated picture, so that any of them is at hand at once and in any order.
 * @returns null where this page may not decode (an insecure origin) or the type is unknown to the browser
 */
export async function decodeFrames(url: string, mime: string): Promise<DecodedFrames | null> {
  if (typeof ImageDecoder === 'undefined' || !(await ImageDecoder.isTypeSupported(mime))) return null
  const answer = await fetch(url)
  if (!answer.ok || !answer.body) throw new Error(`The picture ${url} answered ${answer.status}`)
  const decoder = new ImageDecoder({ data: answer.body, type: mime })
  try {
    await decoder.tracks.ready
    await decoder.completed
    const count = Math.min(decoder.tracks.selectedTrack?.frameCount ?? 1, maxFrames)
    const frames: PictureFrame[] = []
    let widthPx = 0
    let heightPx = 0
    let atMs = 0
    for (let frameIndex = 0; frameIndex < count; frameIndex++) {
      const { image } = await decoder.decode({ frameIndex })
      widthPx = image.displayWidth
      heightPx = image.displayHeight
      const shrink = Math.min(1, Math.sqrt(budgetBytes / (widthPx * heightPx * 4 * count)))
      const bitmap =
        shrink === 1
          ? await createImageBitmap(image)
          : await createImageBitmap(image, {
              resizeWidth: Math.max(1, Math.floor(widthPx * shrink)),
              resizeHeight: Math.max(1, Math.floor(heightPx * shrink)),
              resizeQuality: 'high',
            })
      frames.push({ bitmap, startsMs: atMs })
      atMs += Math.max(10, (image.duration ?? 100_000) / 1000)
      image.close()
    }
    return { frames, widthPx, heightPx }
  } finally {
    decoder.close()
  }
}
