import sharp from 'sharp'
import type { BrowserSight } from '../../contract/media.ts'
import type { MediaRow } from '../db/queries/media.ts'
import { problemError } from '../system/problemError.ts'
import type { MediaStore } from './mediaStore.ts'

/** Larger pictures of a file are not taken. */
const maxPixels = 2_000_000

/**
 * Keeps what a browser saw of a file. Its pictures are drawn anew, so that nothing else is stored with them.
 * @throws 409 or 422
 */
export async function keepSight(
  store: MediaStore,
  { measured }: MediaRow,
  { seen, poster, strip }: BrowserSight,
): Promise<Pick<MediaRow, 'measured' | 'posterId' | 'stripId'>> {
  if (measured?.of !== 'picture')
    throw problemError(409, 'Only pictures and videos that were measured can be looked at.')
  const { ink } = seen
  if (ink && (ink.xPx + ink.widthPx > measured.widthPx || ink.yPx + ink.heightPx > measured.heightPx))
    throw problemError(422, 'The artwork cannot lie outside its file.')
  const drawn = async (base64: string) => {
    const webp = await sharp(Buffer.from(base64, 'base64'), { limitInputPixels: maxPixels })
      .webp({ quality: 82 })
      .toBuffer()
      .catch(() => null)
    if (!webp) throw problemError(422, 'A picture of the file cannot be read.')
    return store.put(webp)
  }
  return { measured: { ...measured, seen }, posterId: await drawn(poster), stripId: await drawn(strip) }
}
