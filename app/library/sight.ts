import type { BrowserSight } from '../../contract/media.ts'
import type { MediaView } from '../../contract/views.ts'
import { awaitsHearing } from './awaitsHearing.ts'
import { decodeSound } from './decodeSound.ts'
import { loadPicture, openVideo } from '../../player/preload/pictures.ts'
import type { SightRequest } from '../workers/sight.worker.ts'

/** A video is looked at at so many moments, an animation at each of its frames up to so many. */
const videoMoments = 32
const vectorFrames = 120

/**
 * Looks at a file that only browsers decode: where its artwork is over its frames, its colours, and small pictures of
 * it.
 * @returns null when nothing of it can be seen
 */
export async function lookAt(file: MediaView): Promise<BrowserSight | null> {
  const worker = new Worker(new URL('../workers/sight.worker.ts', import.meta.url), { type: 'module' })
  try {
    for await (const frame of framesOf(file)) worker.postMessage({ frame } satisfies SightRequest, [frame])
    if (file.measured?.of === 'picture' && awaitsHearing(file.measured)) {
      const sound = await soundOf(file)
      worker.postMessage({ sound } satisfies SightRequest, sound?.channels.map(({ buffer }) => buffer) ?? [])
    }
    const answer = new Promise<BrowserSight | null>((resolve, reject) => {
      worker.addEventListener('message', ({ data }: MessageEvent<BrowserSight | null>) => resolve(data), { once: true })
      worker.addEventListener('error', () => reject(new Error('The file could not be looked at')), { once: true })
    })
    worker.postMessage({ isEnd: true } satisfies SightRequest)
    return await answer
  } finally {
    worker.terminate()
  }
}

/** The sound of a video, decoded; null where this browser cannot. */
async function soundOf({ url }: MediaView): Promise<{ channels: Float32Array<ArrayBuffer>[]; rateHz: number } | null> {
  try {
    const buffer = await decodeSound(await (await fetch(url)).arrayBuffer())
    return {
      channels: Array.from({ length: buffer.numberOfChannels }, (_, channel) => buffer.getChannelData(channel).slice()),
      rateHz: buffer.sampleRate,
    }
  } catch {
    return null
  }
}

async function* framesOf(file: MediaView): AsyncGenerator<ImageBitmap> {
  const picture = await loadPicture(file.url, file.mime, true)
  if (picture.kind === 'video') {
    const url = URL.createObjectURL(picture.file)
    try {
      yield* videoFrames(url, file.durationMs ?? 0)
    } finally {
      URL.revokeObjectURL(url)
    }
  }
  if (picture.kind === 'vector') {
    const animation = picture.open(picture.widthPx, picture.heightPx, () => undefined)
    const count = Math.min(vectorFrames, Math.max(1, Math.round(picture.frames)))
    for (let index = 0; index < count; index++) {
      animation.show(((file.durationMs ?? 0) * index) / count)
      await animation.settled()
      if (!animation.shown) throw new Error('The animation could not be drawn')
      yield await createImageBitmap(animation.shown.frame)
    }
    animation.close()
  }
}

async function* videoFrames(url: string, durationMs: number): AsyncGenerator<ImageBitmap> {
  const video = await openVideo(url)
  for (let index = 0; index < videoMoments; index++) {
    const shown = new Promise((resolve) => {
      video.requestVideoFrameCallback(resolve)
      setTimeout(resolve, 800)
    })
    video.currentTime = ((durationMs / 1000) * (index + 0.5)) / videoMoments
    await shown
    yield await createImageBitmap(video)
  }
}
