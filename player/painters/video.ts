import { filterOfTint } from '../../core/colour/tint.ts'
import type { PictureState } from '../../core/parts/picture/evaluatePicture.ts'
import type { ResolvedPicture } from '../../core/parts/picture/resolvePicture.ts'
import type { LoadedPicture } from '../preload/pictures.ts'
import { boxWriter, styleWriter, type Painter } from './paint.ts'
import { makeWindow } from './pictureWindow.ts'

/** While it runs, a video may be so far from its moment before it is set right: setting it costs more than this is seen. */
const driftMs = 90

/** A video that follows the score's clock: it runs by itself while the score does and is set to its moment otherwise. */
export function paintVideo(part: ResolvedPicture, picture: Extract<LoadedPicture, { kind: 'video' }>): Painter<PictureState> {
  const video = document.createElement('video')
  video.muted = true
  video.playsInline = true
  video.preload = 'auto'
  video.loop = part.repeats === 'loop'
  video.src = picture.url
  const element = makeWindow(part, picture, video)
  const writeBox = boxWriter(element)
  const write = styleWriter(video)
  let settling: Promise<void> = Promise.resolve()

  function seekTo(atMs: number): void {
    if (Math.abs(video.currentTime * 1000 - atMs) < 2) return
    settling = new Promise((resolve) => {
      // Registered before the seek: the frame that the seek brings is the one to wait for. A file without frames may never bring one.
      const timeout = setTimeout(resolve, 1500)
      video.requestVideoFrameCallback(() => {
        clearTimeout(timeout)
        resolve()
      })
    })
    video.currentTime = atMs / 1000
  }
  return {
    element,
    draw(state, { isRunning }) {
      writeBox(state)
      write('filter', (state.tint && filterOfTint(state.tint)) || 'none')
      if (!isRunning) {
        video.pause()
        seekTo(state.frameMs)
        return
      }
      if (Math.abs(video.currentTime * 1000 - state.frameMs) > driftMs) seekTo(state.frameMs)
      if (video.paused && !video.ended) void video.play().catch(() => {})
    },
    settled: () => settling,
    stop: () => video.pause(),
  }
}
