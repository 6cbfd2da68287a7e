import type { Composition } from '../composition/schema.ts'
import type { Part } from './parts/part.ts'
import type { SolvedClip, SolvedScore } from './solve.ts'

/** So long at least something that is only looked at stays as it is, between its entrance and its exit. */
const lookedAtMs = 600
/** A length is found to within this. */
const stepMs = 50

/** What a score is looked at with, beside its parts. */
interface Shortened {
  composition: Composition
  /** The score, solved with this length. */
  solve: (lengthMs: number) => SolvedScore | null
  /** How long the words of a part have to stand to be read; 0: it has none. */
  readMs: (part: Part) => number
}

/**
 * As short as a score may be without anything being cut: entrances and exits keep their lengths, sounds and videos play to
 * their end, movements are finished, words stand long enough to be read, and what scrolls or counts keeps its time. A score
 * that is as long as it needs to be already is never shorter: its least length is what somebody wants. About ten times the
 * work of solving it.
 * @returns null where it is never shorter
 */
export function shortestLengthMs({ composition, solve, readMs }: Shortened): number | null {
  const { length, parts } = composition
  const usual = length.rule === 'fixed' ? solve(length.ms) : null
  if (length.rule !== 'fixed' || !usual) return null
  const isWhole = (ms: number): boolean => {
    const tried = solve(ms)
    return (
      tried !== null && isAsWhole(tried, usual) && parts.every((part) => keepsWhatItNeeds(part, tried, usual, readMs))
    )
  }
  let [least, most] = [500, length.ms]
  if (!isWhole(most)) return null
  while (most - least > stepMs) {
    const middle = Math.round((least + most) / 2)
    if (isWhole(middle)) most = middle
    else least = middle
  }
  const shortest = Math.ceil(most / stepMs) * stepMs
  return shortest < length.ms ? shortest : null
}

/** Nothing is cut off or hurried that was not before. */
const isAsWhole = (tried: SolvedScore, usual: SolvedScore): boolean =>
  tried.cut.every((id) => usual.cut.includes(id)) && tried.shrunk.every((id) => usual.shrunk.includes(id))

const stayMs = ({ startMs, endMs, entranceMs, exitMs }: SolvedClip) => endMs - startMs - entranceMs - exitMs

function keepsWhatItNeeds(part: Part, tried: SolvedScore, usual: SolvedScore, readMs: (part: Part) => number): boolean {
  const [now, before] = [tried.clips[part.id], usual.clips[part.id]]
  if (!now || !before) return true
  const [stays, stayed] = [stayMs(now), stayMs(before)]
  switch (part.kind) {
    // It sounds to its end, or ends with the score: that nothing is cut off has been asked.
    case 'sound':
    case 'voice':
      return true
    case 'line':
      return isMoved(part, now) && stays >= Math.min(stayed, readMs(part))
    case 'picture':
    case 'shape':
    case 'backdrop':
    case 'particles':
      return isMoved(part, now) && stays >= Math.min(stayed, lookedAtMs)
    // Messages, tickers, draws, and whatever else there is: their own time is theirs.
    default:
      return stays >= stayed
  }
}

/** Its movements end before it does. */
function isMoved(part: Part, { startMs, endMs }: SolvedClip): boolean {
  if (!('keyframes' in part)) return true
  const lastMs = Math.max(0, ...part.keyframes.flatMap(({ frames }) => frames.map(({ atMs }) => atMs)))
  return lastMs <= endMs - startMs
}
