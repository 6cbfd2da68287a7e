import type { ResolvedScore } from '../../core/score/resolved.ts'
import { blank } from '../../player/camera/blank.ts'
import { prepareScore } from '../../player/prepare.ts'
import { shootFrames } from './shootFrames.ts'

/**
 * A moment of a score as a PNG as large as its canvas, transparent where nothing is drawn.
 * @throws where it cannot be drawn
 */
export async function momentPicture(score: ResolvedScore, tMs: number): Promise<Blob> {
  const { widthPx, heightPx } = score.canvas
  const picture = blank(widthPx, heightPx)
  const atMs = Math.min(Math.round(tMs), score.lengthMs - 1)
  const { signal } = new AbortController()
  await shootFrames(await prepareScore(score, null), { widthPx, heightPx }, [atMs], signal, async (bitmap) => {
    picture.getContext('2d')?.drawImage(bitmap, 0, 0)
    bitmap.close()
  })
  return new Promise<Blob>((resolve, reject) =>
    picture.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The moment cannot be drawn'))), 'image/png'),
  )
}
