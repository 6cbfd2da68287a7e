import sharp from 'sharp'
import type { BrowserSight, OwnSound, PictureMeasured } from '../../contract/media.ts'
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
  { seen, poster, strip, sound }: BrowserSight,
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
  const ownSound = heardBy(measured, sound)
  return { measured: { ...measured, seen, ownSound }, posterId: await drawn(poster), stripId: await drawn(strip) }
}

/** A video's own sound with what a browser measured of it, where it was to measure it. */
function heardBy({ ownSound = null }: PictureMeasured, sound: BrowserSight['sound']): OwnSound | null {
  if (!ownSound || ownSound.heard || ownSound.fault !== null || sound === undefined) return ownSound
  return sound
    ? { ...ownSound, heard: sound }
    : { ...ownSound, fault: 'No browser here decodes its sound. Save the video with Opus sound.' }
}
