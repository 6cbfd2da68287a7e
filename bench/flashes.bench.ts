// Made clips that flash and others that only look as if: what is found, what is wrongly found, and how many frames a second are
// looked at; beside it, as a peer, the bare rule that many use: the mean light of the whole picture, its changes counted.
import { FlashMeter } from '../core/flash/flashMeter.ts'
import { luminance } from '../core/colour/contrast.ts'
import { framesOf, grid, madeClips, type MadeClip } from '../test/arrange/madeFlashes.ts'
import { report } from './report.ts'

/** Whether the mean light of the picture goes to and fro more than three times within a second. */
function byMeanLight(frames: readonly (readonly [Uint8ClampedArray, number])[]): boolean {
  let extreme = 0
  let direction = 0
  const changedMs: number[] = []
  for (const [rgba, atMs] of frames) {
    let sum = 0
    for (let at = 0; at < rgba.length; at += 4)
      sum += luminance([(rgba[at] ?? 0) / 255, (rgba[at + 1] ?? 0) / 255, (rgba[at + 2] ?? 0) / 255])
    const mean = sum / (rgba.length / 4)
    if (direction !== 1 && mean - extreme >= 0.1) direction = 1
    else if (direction !== -1 && extreme - mean >= 0.1) direction = -1
    else {
      extreme = direction === 1 ? Math.max(extreme, mean) : Math.min(extreme, mean)
      continue
    }
    extreme = mean
    changedMs.push(atMs)
    if (changedMs.filter((each) => each > atMs - 1_000).length >= 7) return true
  }
  return false
}

interface Score {
  found: number
  wronglyFound: number
  frames: number
  ms: number
}
function scoreOf(
  isFound: (clip: MadeClip, frames: readonly (readonly [Uint8ClampedArray, number])[]) => boolean,
): Score {
  const score = { found: 0, wronglyFound: 0, frames: 0, ms: 0 }
  for (const clip of madeClips) {
    const frames = [...framesOf(clip)]
    const fromMs = performance.now()
    const is = isFound(clip, frames)
    score.ms += performance.now() - fromMs
    score.frames += frames.length
    if (is && clip.is.length > 0) score.found += 1
    if (is && clip.is.length === 0) score.wronglyFound += 1
  }
  return score
}
const harmful = madeClips.filter(({ is }) => is.length > 0).length
const rowOf = (what: string, { found, wronglyFound, frames, ms }: Score) => ({
  what,
  figures: {
    found: `${found} of ${harmful}`,
    'wrongly found': `${wronglyFound} of ${madeClips.length - harmful}`,
    'frames a second': Math.round((frames / ms) * 1000).toLocaleString('en'),
  },
})
report('flashes', [
  rowOf(
    'every field of view, general and red',
    scoreOf((_clip, frames) => {
      const meter = new FlashMeter(grid)
      for (const [rgba, atMs] of frames) meter.add(rgba, atMs)
      return meter.findings().length > 0
    }),
  ),
  rowOf(
    'the mean light of the picture',
    scoreOf((_clip, frames) => byMeanLight(frames)),
  ),
])
