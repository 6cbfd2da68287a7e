import sharp, { type SharpOptions } from 'sharp'
import { growInk, inkAlpha } from '../../../core/colour/inkBox.ts'
import type { InkBox, PictureMeasured, Seen } from '../../../contract/media.ts'
import { endOfPicture, type EndedFormat } from './fileEnd.ts'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { colourFacts, fullestFrame, posterOf, smallHeight, stripOf, type SmallFrames } from './pixels.ts'
import { Refusal } from './refusal.ts'

const saveAgain = 'Open it in a picture editor and save it again.'

/** Browsers show frames that claim a hundredth of a second or less for a tenth. */
export const frameMsOf = (delayMs: number) => (delayMs <= 10 ? 100 : delayMs)

/** Refuses a picture that ends too early, or that something else follows. Zeros at the end do no harm. */
export function checkEnd(format: EndedFormat, bytes: Uint8Array): void {
  const end = endOfPicture(format, bytes)
  if (end === null) throw new Refusal('The file ends in the middle of the picture.', 'Copy or export it again.')
  const rest = bytes.subarray(end)
  if (rest.some((byte) => byte !== 0))
    throw new Refusal(`After the picture there are ${rest.length} bytes of something else.`, saveAgain)
}

/** Refuses what would take too much memory once decoded. @param frames at least 1 */
export function checkExtent(widthPx: number, heightPx: number, frames: number): void {
  if (!(widthPx > 0 && heightPx > 0)) throw new Refusal('The picture has no size.', saveAgain)
  if (widthPx > limits.sidePx || heightPx > limits.sidePx)
    throw new Refusal(
      `The picture is ${widthPx} × ${heightPx} pixels; a side may have ${limits.sidePx}.`,
      'Make it smaller: a canvas is 1920 × 1080.',
    )
  if (frames > limits.frames)
    throw new Refusal(
      `The animation has ${frames} frames; ${limits.frames} are the most.`,
      'Make it shorter, or a WebM video.',
    )
  if (widthPx * heightPx * frames > limits.pixels) {
    throw new Refusal(
      `${frames > 1 ? `${frames} frames of ` : ''}${widthPx} × ${heightPx} pixels are more than can be kept ready to play.`,
      frames > 1 ? 'Make it smaller or shorter, or a WebM video.' : 'Make it smaller: a canvas is 1920 × 1080.',
    )
  }
}

/** What was found out about a picture, with the pictures of it. */
export function pictureMeasurement(
  mime: string,
  facts: Omit<PictureMeasured, 'of' | 'ownSound' | 'codec' | 'seen'>,
  seen: Seen,
  poster: Buffer,
  strip: Buffer,
): Measurement {
  return {
    kind: 'picture',
    mime,
    measured: { of: 'picture', ownSound: null, codec: null, seen, ...facts },
    poster,
    strip,
    converted: null,
  }
}

const endedFormats: Record<string, EndedFormat> = {
  'image/png': 'png',
  'image/jpeg': 'jpeg',
  'image/gif': 'gif',
  'image/webp': 'riff',
  'image/avif': 'isobmff',
}

/**
 * A photograph without what cameras put behind it: smaller pictures of the same, a moment of video, a maker's notes.
 * Null where there is no such thing.
 */
function withoutCompanions(bytes: Uint8Array): Uint8Array | null {
  const end = endOfPicture('jpeg', bytes)
  if (end === null || end >= bytes.length) return null
  const rest = Buffer.from(bytes.buffer, bytes.byteOffset + end, bytes.length - end)
  const isPicture = rest.length > 3 && rest.readUIntBE(0, 3) === 0xffd8ff
  const isVideo = rest.subarray(4, 8).toString('latin1') === 'ftyp'
  const isNotes = rest.subarray(-4).toString('latin1') === 'SEFT'
  return isPicture || isVideo || isNotes ? bytes.subarray(0, end) : null
}

/** PNG, JPEG, GIF, WebP (both also animated) and AVIF: all frames are decoded once. */
export async function measurePicture(bytes: Uint8Array, mime: string): Promise<Measurement> {
  const alone = mime === 'image/jpeg' ? withoutCompanions(bytes) : null
  if (alone) return { ...(await measurePicture(alone, mime)), converted: alone }
  const format = endedFormats[mime]
  if (format) checkEnd(format, bytes)
  const animated = mime === 'image/gif' || mime === 'image/webp'
  // A photograph that ends early fills up with grey, and only a warning says so.
  const strictness = mime === 'image/jpeg' ? 'warning' : 'error'
  // The limit stands in our own check, which knows about frames.
  const open = (options: SharpOptions = {}) =>
    sharp(bytes, { animated, limitInputPixels: limits.pixels, failOn: strictness, ...options })
  const header = await open({ limitInputPixels: false }).metadata().catch(unreadable)
  const frameCount = header.pages ?? 1
  const isTurned = (header.orientation ?? 1) >= 5
  const storedHeight = header.pageHeight ?? header.height
  const [widthPx, heightPx] = isTurned ? [storedHeight, header.width] : [header.width, storedHeight]
  checkExtent(widthPx, heightPx, frameCount)
  const upright = () => (frameCount > 1 ? open() : open().autoOrient())
  const { data: rgba, info } = await upright()
    .resize({ height: smallHeight, fit: 'fill', width: Math.max(1, Math.round((widthPx * smallHeight) / heightPx)) })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
    .catch(unreadable)
  const small: SmallFrames = { rgba, widthPx: info.width, count: frameCount }
  let ink: InkBox | null = { xPx: 0, yPx: 0, widthPx, heightPx }
  if (header.hasAlpha) {
    const alpha = await upright().ensureAlpha().extractChannel(3).raw().toBuffer().catch(unreadable)
    ink = null
    for (let frame = 0; frame < frameCount; frame++) {
      const from = frame * widthPx * heightPx
      ink = growInk(ink, widthPx, heightPx, (offset) => (alpha[from + offset] as number) >= inkAlpha)
    }
  }
  const frameMs =
    frameCount > 1 ? Array.from({ length: frameCount }, (_, frame) => frameMsOf(header.delay?.[frame] ?? 0)) : []
  const poster = await posterOf(frameCount > 1 ? open({ animated: false, page: fullestFrame(small) }) : upright())
  return pictureMeasurement(
    mime,
    {
      widthPx,
      heightPx,
      frameCount,
      frameMs,
      durationMs: frameCount > 1 ? frameMs.reduce((sum, ms) => sum + ms, 0) : null,
    },
    { hasAlpha: header.hasAlpha, ink, ...colourFacts(rgba) },
    poster,
    await stripOf(small),
  )
}

function unreadable(error: unknown): never {
  if (error instanceof Refusal) throw error
  throw new Refusal('The picture cannot be read: it is damaged or incomplete.', saveAgain)
}
