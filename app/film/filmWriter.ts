import type { FilmPlan } from '../../core/film/filmPlan.ts'
import type { FilmSound } from './filmSound.ts'
import { openWebmWriter } from './webmWriter.ts'
import { openWebpWriter } from './webpWriter.ts'

/** Writes a film, frame by frame; runs in a worker. */
export interface FilmWriter {
  /** Takes a frame, and closes it. Frames come in order. */
  add(bitmap: ImageBitmap, frame: number): Promise<void>
  finish(): Promise<Blob>
}

/** @returns null where this browser cannot write such a film */
export const openFilmWriter = (plan: FilmPlan, sound: FilmSound | null): Promise<FilmWriter | null> =>
  plan.kind === 'webm' ? openWebmWriter(plan, sound) : openWebpWriter(plan)

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
