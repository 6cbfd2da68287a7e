import sharp from 'sharp'
import UPNG from 'upng-js'
import { growInk, inkAlpha } from '../../../core/colour/inkBox.ts'
import type { InkBox } from '../../../contract/media.ts'
import type { Measurement } from './measurement.ts'
import { checkEnd, checkExtent, frameMsOf, pictureMeasurement } from './picture.ts'
import { colourFacts, fullestFrame, posterOf, smallHeight, stripOf, type SmallFrames } from './pixels.ts'
import { Refusal } from './refusal.ts'

/** The chunk that says how many frames an animated PNG has, and its size, read before anything is decoded. */
export function apngHeader(bytes: Uint8Array): { widthPx: number; heightPx: number; frames: number } | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const type = view.getUint32(at + 4)
    if (type === 0x6163544c && at + 16 <= bytes.length)
      return { widthPx: view.getUint32(16), heightPx: view.getUint32(20), frames: view.getUint32(at + 8) }
    if (type === 0x49444154) return null
  }
  return null
}

/** An animated PNG: its frames are put together by the library, since the one for stills shows only the first. */
export async function measureApng(bytes: Uint8Array): Promise<Measurement> {
  checkEnd('png', bytes)
  const header = apngHeader(bytes)
  if (!header) throw new Refusal('The animated PNG does not say how many frames it has.', 'Export it again.')
  const { widthPx, heightPx } = header
  checkExtent(widthPx, heightPx, header.frames)
  const { frames, delays } = decode(bytes)
  const smallWidth = Math.max(1, Math.round((widthPx * smallHeight) / heightPx))
  const small: SmallFrames = {
    rgba: new Uint8Array(smallWidth * smallHeight * 4 * frames.length),
    widthPx: smallWidth,
    count: frames.length,
  }
  const opened = (frame: Uint8Array) => sharp(frame, { raw: { width: widthPx, height: heightPx, channels: 4 } })
  let ink: InkBox | null = null
  for (const [index, frame] of frames.entries()) {
    ink = growInk(ink, widthPx, heightPx, (offset) => (frame[offset * 4 + 3] as number) >= inkAlpha)
    small.rgba.set(
      await opened(frame).resize(smallWidth, smallHeight, { fit: 'fill' }).raw().toBuffer(),
      index * smallWidth * smallHeight * 4,
    )
  }
  const hasAlpha = frames.some((frame) => hasTransparent(frame))
  const frameMs = delays.map(frameMsOf)
  return pictureMeasurement(
    'image/apng',
    { widthPx, heightPx, frameCount: frames.length, frameMs, durationMs: frameMs.reduce((sum, ms) => sum + ms, 0) },
    { hasAlpha, ink, ...colourFacts(small.rgba) },
    await posterOf(opened(frames[fullestFrame(small)] as Uint8Array)),
    await stripOf(small),
  )
}

function decode(bytes: Uint8Array): { frames: Uint8Array[]; delays: number[] } {
  try {
    const image = UPNG.decode(Uint8Array.from(bytes).buffer)
    const frames = UPNG.toRGBA8(image).map((frame) => new Uint8Array(frame))
    if (frames.length === 0) throw new Error('no frames')
    return { frames, delays: image.frames.map((frame) => frame.delay) }
  } catch {
    throw new Refusal('The animated PNG cannot be read: it is damaged or incomplete.', 'Export it again.')
  }
}

function hasTransparent(frame: Uint8Array): boolean {
  for (let at = 3; at < frame.length; at += 4) if ((frame[at] as number) < 255) return true
  return false
}
