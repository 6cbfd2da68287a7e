import { coloursOf } from '../../core/colour/coloursOf.ts'
import { dominantColour } from '../../core/colour/dominantColour.ts'
import { samplePeakDb, waveformPeaks } from '../../core/audio/waveform.ts'

export type MeasureRequest = { id: number; of: 'sound'; channels: Float32Array<ArrayBuffer>[] } | { id: number; of: 'picture'; frames: ImageBitmap[] }
export type MeasureAnswer = { id: number; of: 'sound'; peaks: Float32Array; peakDb: number } | { id: number; of: 'picture'; dominant: string | null; colours: string[] }

const waveformStretches = 600

function measure(request: MeasureRequest): MeasureAnswer {
  if (request.of === 'sound') return { id: request.id, of: 'sound', peaks: waveformPeaks(request.channels, waveformStretches), peakDb: samplePeakDb(request.channels) }
  const pixels = pixelsOf(request.frames)
  return { id: request.id, of: 'picture', dominant: dominantColour(pixels), colours: coloursOf(pixels) }
}

/** The pixels of all frames, one after another. */
function pixelsOf(frames: readonly ImageBitmap[]): Uint8ClampedArray {
  const parts = frames.map((frame) => {
    const context = new OffscreenCanvas(frame.width, frame.height).getContext('2d')
    context?.drawImage(frame, 0, 0)
    return context?.getImageData(0, 0, frame.width, frame.height).data ?? new Uint8ClampedArray()
  })
  const all = new Uint8ClampedArray(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    all.set(part, at)
    at += part.length
  }
  return all
}

self.addEventListener('message', ({ data }: MessageEvent<MeasureRequest>) => self.postMessage(measure(data)))
