import { filterFor } from '../washFilter.ts'
import type { PictureState } from '../../core/score/parts/picture/evaluatePicture.ts'
import { lateBy, paceOf } from '../../core/score/parts/picture/videoPace.ts'
import type { ResolvedPicture } from '../../core/score/parts/picture/resolvePicture.ts'
import type { LoadedPicture } from '../preload/pictures.ts'
import { boxWriter, styleWriter, type Painter } from './paint.ts'
import { makeWindow } from './pictureWindow.ts'

/**
 * While it runs, a video that is further from its moment is set right; nearer ones run a little faster or slower until they are
 * there. Setting it costs some frames.
 */
const driftMs = 90
/** Two moments so close are one. */
const sameMs = 2
/** A video that was stopped may go on showing frames for so long. */
const standsAfterMs = 50
/** The least by which browsers tell two moments of a video apart. */
const hairMs = 0.1
/** What has not come by then does not come. */
const longestSeekMs = 1500
/**
 * A frame that began longer ago than this belongs to another moment; a video of fewer than four frames a second is
 * waited for the longest.
 */
const longestFrameS = 0.25

/**
 * A video that follows the score's clock: it runs by itself while the score does and is set to its moment otherwise.
 */
export function paintVideo(
  part: ResolvedPicture,
  picture: Extract<LoadedPicture, { kind: 'video' }>,
): Painter<PictureState> {
  const video = document.createElement('video')
  video.muted = true
  video.playsInline = true
  video.preload = 'auto'
  video.loop = part.repeats === 'loop'
  // An address of its own, given back with it: what is remembered is the file.
  const address = URL.createObjectURL(picture.file)
  video.src = address
  const element = makeWindow(part, picture, video)
  const writeBox = boxWriter(element)
  const write = styleWriter(video)
  let wantedMs: number | null = null
  let settling: Promise<void> | null = null
  /**
   * A video that was let run shows a frame near its time, not always that of its time: it has to be sought even where
   * it stands.
   */
  let isSought = false

  /** One seek after another: of two at once nobody can tell whose frame it is that comes. */
  function seekTo(atMs: number): void {
    wantedMs = atMs
    settling ??= follow()
  }

  async function follow(): Promise<void> {
    // Of many moments in one breath only the last is sought.
    await null
    while (wantedMs !== null) {
      if (!isSought && video.paused) await new Promise((resolve) => setTimeout(resolve, standsAfterMs))
      const atMs: number | null = wantedMs
      wantedMs = null
      if (atMs === null || (isSought && Math.abs(video.currentTime * 1000 - atMs) < sameMs)) continue
      isSought = true
      await frameOf(video, atMs)
    }
    settling = null
  }
  return {
    element,
    draw(state, { isRunning }) {
      writeBox(state)
      write('filter', filterFor(state.tint) || 'none')
      if (!isRunning) {
        video.pause()
        seekTo(state.frameMs)
        return
      }
      const lateMs = lateBy(state.frameMs, video.currentTime * 1000, video.loop ? part.naturalMs : null)
      if (Math.abs(lateMs) > driftMs) seekTo(state.frameMs)
      const pace = video.paused || video.seeking ? 1 : paceOf(lateMs)
      if (pace !== video.playbackRate) video.playbackRate = pace
      if (!video.paused || video.ended) return
      isSought = false
      void video.play().catch(() => {})
    },
    settled: () => settling ?? Promise.resolve(),
    rest() {
      wantedMs = null
      video.pause()
    },
    close() {
      wantedMs = null
      video.pause()
      video.removeAttribute('src')
      video.load()
      URL.revokeObjectURL(address)
    },
  }
}

/**
 * Seeks, and resolves when the frame of that moment can be seen: the file is open, the seek is over, and a frame of
 * about that time has come since. A file without frames may never bring one.
 */
async function frameOf(video: HTMLVideoElement, atMs: number): Promise<void> {
  // Of a file that is being opened the first frame comes by itself, whatever was sought.
  if (video.readyState < video.HAVE_CURRENT_DATA)
    await within(longestSeekMs, (opened) => video.addEventListener('loadeddata', opened, { once: true }))
  await within(longestSeekMs, (seen) => {
    let awaited = 2
    const arrived = () => {
      awaited -= 1
      if (awaited === 0) seen()
    }
    const awaitFrame = () =>
      void video.requestVideoFrameCallback((_nowMs, { mediaTime }) =>
        Math.abs(mediaTime - video.currentTime) < longestFrameS ? arrived() : awaitFrame(),
      )
    // Asked for before the seek: the frame that the seek brings may come before its end is told.
    awaitFrame()
    video.addEventListener('seeked', arrived, { once: true })
    // Browsers take a seek to where a video stands for done, whatever frame it shows: it is sought a hair beside.
    video.currentTime = (Math.abs(video.currentTime * 1000 - atMs) < hairMs / 2 ? atMs + hairMs : atMs) / 1000
  })
}

/** Resolves when it is told to, or when the time is over. */
function within(ms: number, start: (done: () => void) => void): Promise<void> {
  return new Promise((resolve) => {
    const timeout = setTimeout(resolve, ms)
    start(() => {
      clearTimeout(timeout)
      resolve()
    })
  })
}
