import type { MeasuredLevel, SoundLevel } from '../audio/level.ts'
import type { WaveformLevel } from '../audio/soundMeter.ts'
import type { CanvasBox } from '../composition/canvasBox.ts'
import type { Composition } from '../composition/schema.ts'
import type { Zone } from '../composition/zone.ts'
import type { EventKind } from '../events/kinds.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import type { TextLayouts } from '../score/shownKinds.ts'
import type { Seen } from './seen.ts'
import type { RemarkType } from './remarkTypes.ts'

/** What one click can do about a remark. */
export type Remedy =
  | { type: 'startWhenEntered'; partId: string; of: string; label: string }
  | { type: 'setLength'; ms: number; label: string }
  | { type: 'fitContents'; maxMs: number; label: string }
  | { type: 'moveBy'; partId: string; dxPx: number; dyPx: number; label: string }
  | { type: 'lastUntilEnd'; partId: string; label: string }
  | { type: 'holdUntilEnd'; partIds: string[]; maxMs: number; label: string }
  | { type: 'setPace'; partId: string; staggerMs: number; label: string }
  | { type: 'setSize'; partId: string; sizePx: number; label: string }
  | { type: 'wrapText'; partId: string; label: string }
  | { type: 'outlineText'; partId: string; label: string }
  | { type: 'setTrim'; partId: string; trimDb: number; label: string }
  | { type: 'levelSound'; partId: string; label: string }
  | { type: 'duckSounds'; partId: string; label: string }
  | { type: 'waitForVoice'; label: string }
  | { type: 'calm'; parts: { partId: string; share: number }[]; label: string }

/** Something that a person should look at before viewers do. */
export interface Remark {
  type: RemarkType
  /** The part that it concerns; null for the whole. */
  partId: string | null
  /** `wrong`: viewers will notice. `advice`: worth a thought. */
  level: 'wrong' | 'advice'
  /** One sentence for a person, without jargon. */
  words: string
  remedy: Remedy | null
}

/** A sound file's level, and its waveform for judging what sounds add up to. */
export interface MeasuredSound {
  level: MeasuredLevel | null
  waveform: WaveformLevel
}

/** All that remarks are made from. Plain values; nothing is measured here. */
export interface RemarkContext {
  kinds: readonly EventKind[]
  composition: Composition
  score: ResolvedScore
  /** How the texts were fitted; remarks on texts without a layout are not made. */
  layouts: TextLayouts
  zones: readonly Zone[]
  messageText: string
  /** What the box brings its sounds to. */
  soundLevel: SoundLevel
  /**
   * What was measured of each sound file, and of each recording of a voice by its address. Of files that are missing
   * here nothing is remarked.
   */
  sounds: Readonly<Record<string, MeasuredSound>>
  /** Colours that a picture file shows, `#RRGGBB`, where they were measured. */
  pictureColours: Readonly<Record<string, readonly string[]>>
  /** Colours of the person's own scene under a box, where a still of it was given. */
  sceneColours: ((box: CanvasBox) => readonly string[]) | null
  /** What was seen when it was drawn; absent: it was not yet. */
  seen?: Seen | null
}

/** How a part is called. */
export function nameOf(context: RemarkContext, partId: string): string {
  return context.composition.parts.find((part) => part.id === ownerOf(partId))?.name ?? partId
}

/** The part of the composition that something of a score belongs to: sounds of a part that can be seen have names behind its own. */
export const ownerOf = (id: string): string => id.split('.')[0] ?? id

/** Seconds as they are written everywhere. */
export function inSeconds(ms: number): string {
  return `${(ms / 1000).toFixed(2)} s`
}
