import { readAnchor, type AnchorPoint } from '../composition/anchor.ts'
import type { Composition } from '../composition/schema.ts'
import { heardCaption } from '../settle/heardCaption.ts'
import type { MediaFacts } from './mediaFacts.ts'
import { isVisiblePart, type Part, type PartOf } from './parts/part.ts'
import { kindOfPart } from './parts/partKinds.ts'
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
  /** The part's own; of the sound of a video, one behind it. */
  id: string
  partId: string
  /** The sound of the video in the row above: it lasts as long, and moves with it. */
  ownSound: OwnSoundRow | null
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

/** How the sound of a video lies in the clip of its picture. */
export interface OwnSoundRow {
  startsMs: number
  /** How long a round of the picture is, where it begins again. */
  roundMs: number | null
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
  media: Readonly<Record<string, MediaFacts>> = {},
): ScoreRow[] {
  const ordered = [
    ...composition.parts.filter(isVisiblePart).reverse(),
    ...composition.parts.filter((part) => !isVisiblePart(part)),
  ].filter((part) => clips[part.id] !== undefined)
  const rowOf = new Map<string, number>()
  let rows = 0
  for (const part of ordered) {
    rowOf.set(part.id, rows)
    rows += ownSoundOf(part, media) ? 2 : 1
  }
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
    const sound = ownSoundOf(part, media)
    return [
      {
        id: part.id,
        partId: part.id,
        ownSound: null,
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
      ...(sound && part.kind === 'picture' ? [ownSoundRow(part, times, sound, media)] : []),
    ]
  })
}

const ownSoundOf = (part: Part, media: Readonly<Record<string, MediaFacts>>) =>
  part.kind === 'picture' && part.mediaId !== null ? media[part.mediaId]?.ownSound : undefined

function ownSoundRow(
  part: PartOf<'picture'>,
  times: SolvedClip,
  { startsMs }: { startsMs: number },
  media: Readonly<Record<string, MediaFacts>>,
): ScoreRow {
  const roundMs = part.repeats === 'loop' && part.mediaId !== null ? (media[part.mediaId]?.durationMs ?? null) : null
  return {
    id: `${part.id}.own`,
    partId: part.id,
    ownSound: { startsMs, roundMs },
    kind: 'sound',
    name: `Sound of ${part.name}`,
    caption: heardCaption(part.ownSound),
    ...times,
    entranceMs: 0,
    exitMs: 0,
    isLocked: true,
    isHeard: true,
    isOff: part.ownSound.isMuted || part.isHidden,
    mediaId: part.mediaId,
    endMode: part.clip.end.length,
    startTie: null,
    endTie: null,
    keyedMs: [],
  }
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
