import type { LoadedDrawing } from '../frame/drawing.ts'
import type { PictureFrame } from './frames.ts'
import { rememberLately, type Room } from './remember.ts'
import type { LoadedVector } from './vector.ts'

/** A picture ready to be drawn at any moment of its file. */
export type LoadedPicture =
  | { kind: 'still'; image: HTMLImageElement; widthPx: number; heightPx: number }
  | { kind: 'frames'; frames: PictureFrame[]; widthPx: number; heightPx: number }
  /** The whole file: whoever shows it makes an address of it, and gives that back. */
  | { kind: 'video'; file: Blob; widthPx: number; heightPx: number }
  | LoadedVector
  | LoadedDrawing
  /**
   * An animation on a page that may not decode it itself (plain http from another host): it runs by itself from when it
   * appears.
   */
  | { kind: 'selfRunning'; url: string; widthPx: number; heightPx: number }

const drawingMime = 'image/svg+xml'
const vectorMime = 'video/lottie+json'

async function decodeStill(url: string): Promise<HTMLImageElement> {
  const image = new Image()
  image.src = url
  await image.decode()
  if (image.naturalWidth === 0) throw new Error(`The picture ${url} has no size`)
  return image
}

/** A silent video that can show any of its frames. Rejects for a file that cannot be played. */
export async function openVideo(url: string): Promise<HTMLVideoElement> {
  const video = document.createElement('video')
  video.muted = true
  video.preload = 'auto'
  video.src = url
  await new Promise<void>((resolve, reject) => {
    video.addEventListener('canplaythrough', () => resolve(), { once: true })
    video.addEventListener('error', () => reject(new Error(`The video ${url} cannot be played`)), { once: true })
  })
  return video
}

/** Gives a file an address for as long as something is done with it. */
export async function withAddress<Answer>(file: Blob, work: (url: string) => Promise<Answer>): Promise<Answer> {
  const url = URL.createObjectURL(file)
  return work(url).finally(() => URL.revokeObjectURL(url))
}

/** A video is fetched whole before it plays: it then finds any of its frames without asking the network. */
async function loadVideo(address: string): Promise<LoadedPicture> {
  const answer = await fetch(address)
  if (!answer.ok) throw new Error(`The video ${address} answered ${answer.status}`)
  const file = await answer.blob()
  return withAddress(file, async (url) => {
    const { videoWidth, videoHeight } = await openVideo(url)
    return { kind: 'video', file, widthPx: videoWidth, heightPx: videoHeight }
  })
}

async function loadAnimation(url: string, mime: string): Promise<LoadedPicture> {
  const { decodeFrames } = await import('./decodeFrames.ts')
  const frames = await decodeFrames(url, mime)
  if (frames) return { kind: 'frames', ...frames }
  const { naturalWidth, naturalHeight } = await decodeStill(url)
  return { kind: 'selfRunning', url, widthPx: naturalWidth, heightPx: naturalHeight }
}

/** What a picture file is, by its type and whether it moves. */
function keyOf(url: string, mime: string, isMoving: boolean): string {
  const isVideo = mime.startsWith('video/') && mime !== vectorMime
  const what = isMoving || mime === vectorMime ? mime : 'still'
  return `${isVideo ? 'video' : what} ${url}`
}

/** One room for all pictures that are at hand, as much as they take once they are decoded. */
const pictureRoom: Room<LoadedPicture> = {
  bytesMost: 384 * 1024 * 1024,
  bytesOf(picture) {
    const pixels = picture.widthPx * picture.heightPx * 4
    if (picture.kind === 'frames')
      return picture.frames.reduce((sum, { bitmap }) => sum + bitmap.width * bitmap.height * 4, 0)
    // Of a file that plays by itself, some frames are decoded beside it.
    return picture.kind === 'video' ? picture.file.size + pixels * 4 : pixels
  },
  giveBack(picture) {
    if (picture.kind === 'frames') for (const { bitmap } of picture.frames) bitmap.close()
    if (picture.kind === 'vector') picture.end()
  },
}
/** Emotes come from many viewers and are seldom seen twice: a small room of their own, so that they push nothing else out. */
const emoteRoom: Room<HTMLImageElement> = {
  bytesMost: 12 * 1024 * 1024,
  bytesOf: ({ naturalWidth, naturalHeight }) => naturalWidth * naturalHeight * 4,
}

const load = rememberLately(async (key: string): Promise<LoadedPicture> => {
  const space = key.indexOf(' ')
  const what = key.slice(0, space)
  const url = key.slice(space + 1)
  // What few alerts have comes when one does.
  if (what === vectorMime) return (await import('./vector.ts')).loadVector(url)
  if (what === 'video') return loadVideo(url)
  if (what === drawingMime) return (await import('../frame/drawing.ts')).loadDrawing(url)
  if (what !== 'still') return loadAnimation(url, what)
  const image = await decodeStill(url)
  return { kind: 'still', image, widthPx: image.naturalWidth, heightPx: image.naturalHeight }
}, pictureRoom)

/** A picture, fetched and decoded. Rejects when the file is missing or broken. */
export function loadPicture(url: string, mime: string, isMoving: boolean): Promise<LoadedPicture> {
  return load(keyOf(url, mime, isMoving))
}

/** An emote, by its address. Rejects when it cannot be had. */
export const loadEmotePicture = rememberLately(decodeStill, emoteRoom)

/** A picture that does not move, by its address alone. */
export async function loadStill(url: string): Promise<HTMLImageElement> {
  const loaded = await load(keyOf(url, '', false))
  if (loaded.kind !== 'still') throw new Error(`The picture ${url} is not a still`)
  return loaded.image
}
