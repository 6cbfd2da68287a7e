import { readAnchor, type AnchorPoint } from '../composition/anchor.ts'
import type { Composition } from '../composition/schema.ts'
import type { Part } from './parts/part.ts'
import { kindOfPart } from './parts/partKinds.ts'
import { isVisiblePart } from './parts/part.ts'
import type { SolvedClip } from './solve.ts'

/** A tie from an edge of a clip to a moment of another clip (`row`) or of the score (`row: null`). */
export interface RowTie {
  row: number | null
  atMs: number
  /** What it hangs on, as an anchor. */
  at: string
}

/** One lane of the score as it is drawn: everything computed, nothing left to the component but pixels. */
export interface ScoreRow extends SolvedClip {
  partId: string
  kind: Part['kind']
  name: string
  /** What stands on the clip. */
  caption: string
  isLocked: boolean
  /** It is only heard. */
  isHeard: boolean
  /** Hidden or muted. */
  isOff: boolean
  /** The file whose waveform or frames fill the clip. */
  mediaId: string | null
  endMode: Part['clip']['end']['length']
  /** Null for starts that hang on the beginning of the score itself. */
  startTie: RowTie | null
  /** Null for ends that are not anchored. */
  endTie: RowTie | null
  /** Moments of the score at which a keyframe stands, in order. */
  keyedMs: number[]
}

/** A tick of the ruler; every second, or every few where the score is long. */
export interface RulerTick {
  atMs: number
  label: string
}

/**
 * The lanes from top to bottom: what lies in front stands on top, sounds at the foot. Linear in parts and keyframes.
 */
export function scoreRows(
  composition: Composition,
  clips: Readonly<Record<string, SolvedClip>>,
  lengthMs: number,
): ScoreRow[] {
  const ordered = [
    ...composition.parts.filter(isVisiblePart).reverse(),
    ...composition.parts.filter((part) => !isVisiblePart(part)),
  ]
  const rowOf = new Map(ordered.map((part, row) => [part.id, row]))
  const tieTo = (at: string): RowTie | null => {
    const { id, point } = readAnchor(at)
    if (id === 'score') return point === 'end' ? { row: null, atMs: lengthMs, at } : null
    const anchor = clips[id]
    const row = rowOf.get(id)
    return anchor && row !== undefined ? { row, atMs: momentOf(anchor, point), at } : null
  }
  return ordered.flatMap((part) => {
    const times = clips[part.id]
    if (!times) return []
    const { clip } = part
    return [
      {
        partId: part.id,
        kind: part.kind,
        name: part.name,
        caption: kindOfPart(part).caption(part),
        ...times,
        isLocked: part.isLocked,
        isHeard: !isVisiblePart(part),
        isOff: isVisiblePart(part) ? part.isHidden : part.isMuted,
        mediaId: 'mediaId' in part ? part.mediaId : null,
        endMode: clip.end.length,
        startTie: tieTo(clip.start.at),
        endTie: clip.end.length === 'until' ? tieTo(clip.end.edge.at) : null,
        keyedMs: keyedMomentsOf(part, times.startMs),
      },
    ]
  })
}

/** When a moment of a solved clip is. */
export function momentOf(clip: SolvedClip, point: AnchorPoint): number {
  if (point === 'entered') return clip.startMs + clip.entranceMs
  if (point === 'leaving') return clip.endMs - clip.exitMs
  return point === 'end' ? clip.endMs : clip.startMs
}

function keyedMomentsOf(part: Part, startMs: number): number[] {
  if (!isVisiblePart(part)) return []
  const moments = new Set(part.keyframes.flatMap((track) => track.frames.map((frame) => startMs + frame.atMs)))
  return [...moments].sort((a, b) => a - b)
}

/** Ticks of a ruler over `lengthMs`, at most about twelve. */
export function rulerTicks(lengthMs: number): RulerTick[] {
  const stepMs = [500, 1000, 2000, 5000, 10_000].find((step) => lengthMs / step <= 12) ?? 10_000
  return Array.from({ length: Math.floor(lengthMs / stepMs) + 1 }, (_, index) => ({
    atMs: index * stepMs,
    label: ((index * stepMs) / 1000).toFixed(2),
  }))
}
