import type { Canvas } from '../../core/composition/canvas.ts'

/** Pictures of a play that were drawn, and that would have been. */
export interface Frames {
  drawn: number
  dropped: number
}

/** While nothing is drawn at all for so long, the page is not shown. */
const unseenMs = 1_000

/** Counts pictures as they are drawn, and those that came too late to be, by the rate of the canvas. @param isOn whether the play goes on */
export function countFrames(
  frames: Frames,
  { framesPerSecond }: Pick<Canvas, 'framesPerSecond'>,
  isOn: () => boolean,
): void {
  let lastMs = Infinity
  const count = (atMs: number) => {
    if (!isOn()) return
    const tookMs = atMs - lastMs
    if (tookMs < unseenMs) {
      frames.drawn++
      frames.dropped += Math.max(0, Math.round((tookMs * framesPerSecond) / 1000) - 1)
    }
    lastMs = atMs
    requestAnimationFrame(count)
  }
  requestAnimationFrame(count)
}
