import { plainText } from '../text/textPiece.ts'
import { isSeenPart, type ResolvedScore, type ResolvedVisiblePart } from './resolved.ts'
import { isWithinClip } from './standing.ts'

/** Motions that bring letters in once; the others go on for as long as a text stays. */
const arriving: ReadonlySet<string> = new Set(['typed', 'rise', 'tumble', 'bloom'])

/** When a part has come: its entrance is over, and its last letter is there. */
function settledMs(part: ResolvedVisiblePart): number {
  const letters = 'letters' in part && part.letters && arriving.has(part.letters.motion) ? part.letters : null
  if (!letters || !('pieces' in part)) return part.startMs + part.entrance.ms
  const text = plainText(part.pieces)
  const counts = { letter: [...text].length, word: text.split(/\s+/).length, line: 1 }
  const count = counts[letters.unit]
  return part.startMs + Math.max(part.entrance.ms, count * letters.staggerMs + letters.ms)
}

/**
 * The moment that shows a score best as a still: the first at which the most parts are to be seen at rest.
 * Milliseconds. Cost: quadratic in the number of parts.
 */
export function restingMs(score: ResolvedScore): number {
  const visible = score.parts.filter(isSeenPart)
  const settled = new Map(visible.map((part) => [part, settledMs(part)]))
  let best = { atMs: 0, count: -1 }
  for (const atMs of [...settled.values()].sort((a, b) => a - b)) {
    const count = visible.filter(
      (part) => isWithinClip(part, atMs) && atMs >= (settled.get(part) ?? 0) && atMs <= part.endMs - part.exit.ms,
    ).length
    if (count > best.count) best = { atMs, count }
  }
  return Math.min(best.atMs, Math.max(0, score.lengthMs - 1))
}
