import type { NightChannel } from '../../contract/nights.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { Advice } from '../../core/rehearsal/advise.ts'
import type { NightBurst } from '../../core/rehearsal/bursts.ts'
import type { NightFigures } from '../../core/rehearsal/figures.ts'
import type { NightDials } from '../../core/rehearsal/readyNights.ts'
import type { RehearsalWish, Side } from '../../core/rehearsal/rehearse.ts'
import type { RehearsedCall, Said } from '../../core/rehearsal/rehearsedCall.ts'
import type { StudioMoment } from '../../core/rehearsal/rehearsedStudio.ts'
import type { TriggerFigures } from '../../core/rehearsal/triggerFigures.ts'
import type { Outcome } from '../../core/response/outcome.ts'
import type { Why } from '../../core/rules/why.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'

/** Which night is rehearsed. `file`: NDJSON of CloudEvents, one a line. */
export type NightChoice =
  | { is: 'longQueue'; beginMs: number }
  | { is: 'dials'; beginMs: number; dials: NightDials }
  | { is: 'file'; text: string }

export type RehearsalQuestion =
  | { ask: 'night'; night: NightChoice; channel: NightChannel }
  | { ask: 'sides'; a: Side; b: Side; wish: RehearsalWish }
  /** What would help one box of the second side. */
  | { ask: 'advice'; boxId: string; targetMs: number }
  /** What became of one of the night's events. */
  | { ask: 'look'; at: number }
  /** The same of what came nearest to a moment. */
  | { ask: 'lookNear'; atMs: number }
  /** All that the second side shows, in its order. */
  | { ask: 'programme' }
  /** How one play of it is shown. */
  | { ask: 'score'; boxId: string; playId: string }
  /** What came last before a moment. */
  | { ask: 'came'; atMs: number }

export interface NightFacts {
  count: number
  fromMs: number
  untilMs: number
  repeated: number
  tests: number
}

/** What somebody who set a trigger off had of it. */
export type LookedCall = Pick<RehearsedCall, 'triggerId' | 'end' | 'reason' | 'atMs' | 'beganMs'>

export interface LookedSide {
  decided: string
  why: Why | null
  outcome: Outcome | null
  reason: string
  /** Null: it never began. */
  lateMs: number | null
  calls: readonly LookedCall[]
}

export interface Looked {
  at: number
  kind: EventKind
  atMs: number
  name: string
  detail: string
  /** The box in which it is looked at. */
  boxId: string
  a: LookedSide
  b: LookedSide
  /** As the draft would show it, and how large; null: it shows nothing. */
  score: ResolvedScore | null
}

/** A night under one side, as it is shown. */
export interface SideFigures extends NightFigures {
  /** The loudest of each slot, in LUFS; null: nothing was heard. */
  loudest: readonly (number | null)[]
  targetLufs: number
  triggers: readonly TriggerFigures[]
  /** By box, where there are several. */
  boxes: readonly { boxId: string; p95Ms: number; worstMs: number; shown: number }[]
}

/** What a viewer waited at most, under both sides. */
export interface ViewerRow {
  viewerId: string
  name: string
  /** How often something of theirs was shown, and how often not, under the second side. */
  shown: number
  unshown: number
  aLongestMs: number
  bLongestMs: number
  /** Which of the night's events waited longest under the second. */
  at: number
}

/** One thing that is shown or heard, as it is played. */
export interface ProgrammePlay {
  boxId: string
  playId: string
  fromMs: number
  untilMs: number
  /** Only heard. */
  isBeside: boolean
  /** Whose it is, and with how many others it is shared. */
  name: string
  kind: EventKind | null
  others: number
  lateMs: number
}

/** What a night shows from its begin to its end. */
export interface Programme {
  fromMs: number
  overAtMs: number
  /** In the order in which they begin. */
  plays: readonly ProgrammePlay[]
  waiting: Readonly<Record<string, readonly { atMs: number; count: number }[]>>
  studio: readonly StudioMoment[]
  said: readonly Said[]
  bursts: readonly NightBurst[]
}

/** One thing that came. */
export interface CameRow {
  at: number
  atMs: number
  kind: EventKind
  name: string
  detail: string
}

export type RehearsalAnswer =
  | { told: 'progress'; words: string; share: number }
  | { told: 'night'; night: NightFacts }
  | { told: 'figures'; a: SideFigures; b: SideFigures; viewers: ViewerRow[]; viewerCount: number; tookMs: number }
  | { told: 'advice'; boxId: string; advice: Advice; tookMs: number }
  | { told: 'looked'; looked: Looked | null }
  | { told: 'programme'; programme: Programme }
  | { told: 'score'; boxId: string; playId: string; score: ResolvedScore | null }
  | { told: 'came'; came: CameRow[] }
  | { told: 'refused'; reason: string }
