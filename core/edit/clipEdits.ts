import { ownPhase } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { Phase, StyledPhase } from '../motion/schema.ts'
import type { Part } from '../score/parts/part.ts'
import { isVisiblePart } from '../score/parts/part.ts'
import type { SolvedClip } from '../score/solve.ts'

/** What of a clip is dragged: all of it, one of its edges, or the inner end of a phase. */
export type ClipHandle = 'whole' | 'start' | 'end' | 'entrance' | 'exit'

const leastMs = 50

/**
 * Drags a clip by so many milliseconds from where it was solved. A start keeps its anchor and changes its offset; an
 * end keeps its way of ending where that has a length or an offset, and a natural end becomes a fixed one of the wanted
 * length. Nothing becomes shorter than 50 ms.
 * @param from the clip as it was when dragging began
 * @param look what a phase that follows it is before it becomes the part's own
 */
export function dragClip(
  part: Part,
  from: { clip: Part['clip']; solved: SolvedClip },
  handle: ClipHandle,
  byMs: number,
  look: Look,
): void {
  const { clip, solved } = from
  const lengthMs = solved.endMs - solved.startMs
  if (handle === 'whole') {
    part.clip.start = { ...clip.start, offsetMs: clip.start.offsetMs + Math.max(byMs, -solved.startMs) }
  } else if (handle === 'start') {
    const movedMs = Math.min(lengthMs - leastMs, Math.max(byMs, -solved.startMs))
    part.clip.start = { ...clip.start, offsetMs: clip.start.offsetMs + movedMs }
    if (clip.end.length === 'fixed') part.clip.end = { length: 'fixed', ms: Math.max(leastMs, clip.end.ms - movedMs) }
  } else if (handle === 'end') {
    const movedMs = Math.max(leastMs - lengthMs, byMs)
    if (clip.end.length === 'until')
      part.clip.end = { length: 'until', edge: { ...clip.end.edge, offsetMs: clip.end.edge.offsetMs + movedMs } }
    else part.clip.end = { length: 'fixed', ms: Math.max(leastMs, lengthMs + movedMs) }
  } else if (isVisiblePart(part)) {
    const own = (styled: StyledPhase, ms: number): Phase => ({
      ...ownPhase(styled, look),
      ms: Math.min(10_000, Math.round(ms * look.speedRatio)),
    })
    const { entrance, exit } = part.motion
    if (handle === 'entrance')
      part.motion.entrance = own(entrance, Math.max(0, Math.min(solved.entranceMs + byMs, lengthMs - solved.exitMs)))
    else part.motion.exit = own(exit, Math.max(0, Math.min(solved.exitMs - byMs, lengthMs - solved.entranceMs)))
  }
}

/** Ties an edge of a clip to a moment, without an offset: both are at the same time from now on. */
export function tieEdge(part: Part, which: 'start' | 'end', at: string): void {
  if (which === 'start') part.clip.start = { at, offsetMs: 0 }
  else part.clip.end = { length: 'until', edge: { at, offsetMs: 0 } }
}

/** Unties an edge: it stays where it is, in time of its own. */
export function untieEdge(part: Part, which: 'start' | 'end', solved: SolvedClip): void {
  if (which === 'start') part.clip.start = { at: 'score.start', offsetMs: solved.startMs }
  else part.clip.end = { length: 'fixed', ms: Math.max(leastMs, solved.endMs - solved.startMs) }
}
