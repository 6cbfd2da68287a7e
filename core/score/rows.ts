import { readAnchor, type AnchorPoint } from '../composition/anchor.ts'
import type { Composition } from '../composition/schema.ts'
import type { Part } from '../parts/part.ts'
import { isVisiblePart } from '../parts/part.ts'
import type { SolvedClip } from './solve.ts'

/** One lane of the score as it is drawn: everything computed, nothing left to the component but pixels. */
export interface ScoreRow {
  partId: string
  kind: Part['kind']
  name: string
  /** What stands on the clip. */
  caption: string
  startMs: number
  endMs: number
  entranceMs: number
  exitMs: number
  /** The tie to the part that this one's start hangs on, by row; null for clips that hang on the score. */
  tie: { row: number; atMs: number } | null
}

/** A tick of the ruler; every second, or every few where the score is long. */
export interface RulerTick {
  atMs: number
  label: string
}

/** The lanes from top to bottom: what lies in front stands on top, sounds at the foot. */
export function scoreRows(composition: Composition, clips: Readonly<Record<string, SolvedClip>>): ScoreRow[] {
  const ordered = [...composition.parts.filter(isVisiblePart).reverse(), ...composition.parts.filter((part) => !isVisiblePart(part))]
  const rowOf = new Map(ordered.map((part, row) => [part.id, row]))
  return ordered.flatMap((part) => {
    const times = clips[part.id]
    if (!times) return []
    const { id: anchorId, point } = readAnchor(part.clip.start.at)
    const anchor = clips[anchorId]
    const row = rowOf.get(anchorId)
    const tie = anchor && row !== undefined ? { row, atMs: anchorMs(anchor, point) } : null
    return [{ partId: part.id, kind: part.kind, name: part.name, caption: captionOf(part), ...times, tie }]
  })
}

function anchorMs(clip: SolvedClip, point: AnchorPoint): number {
  if (point === 'entered') return clip.startMs + clip.entranceMs
  if (point === 'leaving') return clip.endMs - clip.exitMs
  return point === 'end' ? clip.endMs : clip.startMs
}

function captionOf(part: Part): string {
  switch (part.kind) {
    case 'line':
      return part.template
    case 'picture':
      return part.mediaId === null ? 'no picture yet' : ''
    case 'sound':
      return part.mediaId === null ? 'no sound yet' : part.isMuted ? 'muted' : `${part.gainDb.toFixed(1)} dB`
    case 'backdrop':
      return part.hugs.length > 0 ? 'hugs the text' : ''
  }
}

/** Ticks of a ruler over `lengthMs`, at most about twelve. */
export function rulerTicks(lengthMs: number): RulerTick[] {
  const stepMs = [500, 1000, 2000, 5000, 10_000].find((step) => lengthMs / step <= 12) ?? 10_000
  return Array.from({ length: Math.floor(lengthMs / stepMs) + 1 }, (_, index) => ({ atMs: index * stepMs, label: ((index * stepMs) / 1000).toFixed(2) }))
}
