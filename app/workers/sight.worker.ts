import { coloursOf } from '../../core/colour/coloursOf.ts'
import { dominantColour } from '../../core/colour/dominantColour.ts'
import { growInk, inkAlpha, type Ink } from '../../core/colour/inkBox.ts'
import { SoundMeter } from '../../core/audio/soundMeter.ts'
import { measuredSound } from '../../contract/measuredSound.ts'
import type { BrowserSight, SoundMeasured } from '../../contract/media.ts'

/** Frames of one file, one after another; the last message asks for the result. */
export type SightRequest =
  { frame: ImageBitmap } | { sound: { channels: Float32Array[]; rateHz: number } | null } | { isEnd: true }

const smallHeight = 64
const posterSidePx = 360
const stripFrames = 8

interface Small {
  picture: OffscreenCanvas
  pixels: Uint8ClampedArray
  inked: number
}

let ink: Ink | null = null
let hasAlpha = false
let smalls: Small[] = []
let sound: BrowserSight['sound'] = undefined
let poster: OffscreenCanvas | null = null
let posterInked = -1

function contextOf(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('no canvas')
  return context
}

function drawn(frame: ImageBitmap, widthPx: number, heightPx: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(widthPx)), Math.max(1, Math.round(heightPx)))
  const context = contextOf(canvas)
  context.imageSmoothingQuality = 'high'
  context.drawImage(frame, 0, 0, canvas.width, canvas.height)
  return canvas
}

function take(frame: ImageBitmap): void {
  const { width, height } = frame
  const full = contextOf(drawn(frame, width, height)).getImageData(0, 0, width, height).data
  ink = growInk(ink, width, height, (offset) => (full[offset * 4 + 3] as number) >= inkAlpha)
  for (let at = 3; at < full.length && !hasAlpha; at += 4) hasAlpha = (full[at] as number) < 255
  const picture = drawn(frame, (width * smallHeight) / height, smallHeight)
  const pixels = contextOf(picture).getImageData(0, 0, picture.width, picture.height).data
  let inked = 0
  for (let at = 3; at < pixels.length; at += 4) inked += pixels[at] as number
  smalls.push({ picture, pixels, inked })
  if (inked > posterInked) {
    posterInked = inked
    const scale = Math.min(1, posterSidePx / Math.max(width, height))
    poster = drawn(frame, width * scale, height * scale)
  }
  frame.close()
}

/** Measured as the server measures every other sound. */
function heard({ channels, rateHz }: { channels: Float32Array[]; rateHz: number }): SoundMeasured {
  const meter = new SoundMeter(rateHz, channels.length)
  meter.push(channels)
  return measuredSound(meter.end())
}

async function base64Of(canvas: OffscreenCanvas): Promise<string> {
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/webp', quality: 0.82 })).arrayBuffer())
  let letters = ''
  for (let from = 0; from < bytes.length; from += 8192)
    letters += String.fromCharCode(...bytes.subarray(from, from + 8192))
  return btoa(letters)
}

async function result(): Promise<BrowserSight | null> {
  const [first] = smalls
  if (!first || !poster) return null
  const shown = Math.min(stripFrames, smalls.length)
  const strip = new OffscreenCanvas(first.picture.width * shown, smallHeight)
  for (let index = 0; index < shown; index++) {
    const small = smalls[Math.floor(((index + 0.5) * smalls.length) / shown)]
    if (small) contextOf(strip).drawImage(small.picture, index * first.picture.width, 0)
  }
  const all = new Uint8ClampedArray(smalls.reduce((sum, { pixels }) => sum + pixels.length, 0))
  let at = 0
  for (const { pixels } of smalls) {
    all.set(pixels, at)
    at += pixels.length
  }
  return {
    seen: { hasAlpha, ink, dominant: dominantColour(all), colours: coloursOf(all) },
    poster: await base64Of(poster),
    strip: await base64Of(strip),
    ...(sound === undefined ? {} : { sound }),
  }
}

self.addEventListener('message', ({ data }: MessageEvent<SightRequest>) => {
  if ('frame' in data) take(data.frame)
  else if ('sound' in data) sound = data.sound && heard(data.sound)
  else {
    void result().then((sight) => {
      ;[ink, hasAlpha, smalls, poster, posterInked, sound] = [null, false, [], null, -1, undefined]
      self.postMessage(sight)
    })
  }
})
