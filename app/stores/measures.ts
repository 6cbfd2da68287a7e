import { defineStore } from 'pinia'
import { shallowReactive } from 'vue'
import { loadPicture, loadStill, openVideo } from '../../player/preload/pictures.ts'
import type { MediaView } from '../../contract/views.ts'
import type { MeasureAnswer, MeasureRequest } from '../workers/measure.worker.ts'

/** What was measured of a sound file. */
export interface SoundMeasure {
  /** The loudest amplitude in each of equal stretches, 0…1: the waveform as it is drawn. */
  peaks: Float32Array
  durationMs: number
  /** The highest sample in dBFS. */
  peakDb: number
}

/** What was measured of a picture file. */
export interface PictureMeasure {
  /** The colour that it is remembered by; null when nothing of it is opaque. */
  dominant: string | null
  /** A few colours that it shows. */
  colours: string[]
  /** Small pictures of its course, one for a still. */
  strip: ImageBitmap[]
}

const stripFrames = 8
const stripHeightPx = 64
const sampleSidePx = 48

/** Media files as they were measured in this browser, in a worker; each once. */
export const useMeasuresStore = defineStore('measures', () => {
  const sounds = shallowReactive(new Map<string, SoundMeasure>())
  const pictures = shallowReactive(new Map<string, PictureMeasure>())
  const asked = new Set<string>()
  const waiting = new Map<number, (answer: MeasureAnswer) => void>()
  let worker: Worker | null = null
  let nextId = 1

  function ask(request: MeasureRequest extends infer R ? (R extends unknown ? Omit<R, 'id'> : never) : never, transfer: Transferable[]): Promise<MeasureAnswer> {
    if (!worker) {
      worker = new Worker(new URL('../workers/measure.worker.ts', import.meta.url), { type: 'module' })
      worker.addEventListener('message', ({ data }: MessageEvent<MeasureAnswer>) => {
        waiting.get(data.id)?.(data)
        waiting.delete(data.id)
      })
    }
    const id = nextId++
    worker.postMessage({ ...request, id }, transfer)
    return new Promise((resolve) => waiting.set(id, resolve))
  }

  async function measureSound(file: MediaView): Promise<void> {
    const bytes = await (await fetch(file.url)).arrayBuffer()
    const buffer = await new OfflineAudioContext(1, 1, 48_000).decodeAudioData(bytes)
    const channels = Array.from({ length: buffer.numberOfChannels }, (_, channel) => buffer.getChannelData(channel).slice())
    const answer = await ask({ of: 'sound', channels }, channels.map((channel) => channel.buffer))
    if (answer.of === 'sound') sounds.set(file.id, { peaks: answer.peaks, peakDb: answer.peakDb, durationMs: buffer.duration * 1000 })
  }

  async function measurePicture(file: MediaView): Promise<void> {
    const frames = await framesOf(file)
    const strip = frames.filter((_, index) => index % Math.max(1, Math.ceil(frames.length / stripFrames)) === 0)
    const small = await Promise.all(strip.map((frame) => createImageBitmap(frame, { resizeHeight: stripHeightPx, resizeWidth: Math.max(1, Math.round((stripHeightPx * frame.width) / frame.height)) })))
    const sampled = await Promise.all(strip.map((frame) => createImageBitmap(frame, { resizeHeight: sampleSidePx, resizeWidth: sampleSidePx })))
    const answer = await ask({ of: 'picture', frames: sampled }, sampled)
    if (answer.of === 'picture') pictures.set(file.id, { dominant: answer.dominant, colours: answer.colours, strip: small })
  }

  return {
    sounds,
    pictures,
    /** Measures a file if it was not asked for yet. What cannot be measured stays unknown. */
    want(file: MediaView | undefined): void {
      if (!file || asked.has(file.id)) return
      asked.add(file.id)
      const measuring = file.kind === 'sound' ? measureSound(file) : measurePicture(file)
      measuring.catch(() => asked.delete(file.id))
    },
  }
})

/** The frames of a picture file: decoded once for the stage and for measuring. */
async function framesOf(file: MediaView): Promise<(ImageBitmap | HTMLImageElement)[]> {
  const picture = await loadPicture(file.url, file.mime, file.durationMs !== null)
  if (picture.kind === 'video') return videoFrames(picture.url, file.durationMs ?? 0)
  if (picture.kind === 'frames') return picture.frames.map((frame) => frame.bitmap)
  return [picture.kind === 'still' ? picture.image : await loadStill(picture.url)]
}

async function videoFrames(url: string, durationMs: number): Promise<ImageBitmap[]> {
  const video = await openVideo(url)
  const frames: ImageBitmap[] = []
  for (let index = 0; index < stripFrames; index++) {
    const shown = new Promise((resolve) => {
      video.requestVideoFrameCallback(resolve)
      setTimeout(resolve, 800)
    })
    video.currentTime = ((durationMs / 1000) * (index + 0.5)) / stripFrames
    await shown
    frames.push(await createImageBitmap(video))
  }
  return frames
}
