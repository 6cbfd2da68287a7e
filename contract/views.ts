import type { BoxDocument } from '../core/composition/box.ts'
import type { Arrival } from '../core/queue/flood.ts'
import type { Why as WaitsWhy } from '../core/queue/forecast.ts'
import type { Outcome } from '../core/response/outcome.ts'
import type { Why } from '../core/rules/why.ts'
import type { Measured } from './media.ts'
import type { Approval, DeskSpeech } from './speech.ts'
import type { EventKind } from '../core/events/kinds.ts'

/** What the interface shows, as the server sends it. Times are epoch milliseconds. */

export const roles = ['owner', 'editor', 'moderator', 'desk'] as const
export type Role = (typeof roles)[number]

export interface SessionView {
  person: { id: string; name: string }
  channel: { id: string; name: string; locale: string; currency: string; timeZone: string }
  role: Role
}

export interface SessionAnswer {
  session: SessionView | null
  /** Names the machine that asked, as sources name theirs; empty where that cannot be told. */
  machine: string
  /** No account exists yet: the first one is to be made. */
  needsWelcome: boolean
  /** Only while nobody is signed in on a server that runs the demo. */
  demoAccounts: { email: string; name: string; role: Role; password: string }[]
}

export interface MediaView {
  id: string
  name: string
  kind: 'picture' | 'sound' | 'font'
  url: string
  mime: string
  widthPx: number | null
  heightPx: number | null
  durationMs: number | null
  licence: string
  sizeBytes: number
  tags: string[]
  addedAtMs: number
  /** Null while it is being measured. Of a waveform, only the finest level that fits a screen. */
  measured: Measured | null
  posterUrl: string | null
  stripUrl: string | null
}

export interface BoxSummary {
  id: string
  name: string
  /** It stays on the screen. */
  isBoard: boolean
  document: BoxDocument
  /** Null while the box was never put on air. */
  onAir: { number: number; sinceMs: number; byName: string } | null
  differsFromAir: boolean
}

/** A box that shows nothing and can be brought back. */
export interface PutAwayBox {
  id: string
  name: string
  isBoard: boolean
  sinceMs: number
}

/** The boxes of a channel and its boards, each in their order. */
export interface BoxesView {
  boxes: BoxSummary[]
  boards: BoxSummary[]
  putAway: PutAwayBox[]
  /** Whether any of its alerts was ever shown by a source. */
  hasShown: boolean
}

export interface BoxView extends BoxSummary {
  revision: number
  /** The version that sources play now. */
  airDocument: BoxDocument | null
}

/** One version of a box that was put on air. */
export interface VersionView {
  id: string
  number: number
  publishedAtMs: number
  byName: string
}

export interface SourceView {
  id: string
  connectedAtMs: number
  latencyMs: number | null
  sound: 'on' | 'blocked'
  /** Somebody has this one alone be silent. */
  isHeard: boolean
  /** Somebody has all of its box be silent. */
  isSilenced: boolean
  /** Its program does not show it just now. */
  isHidden: boolean
  /** Which Chromium shows it; null: another browser, or it does not say. */
  chromium: number | null
  /** Pictures of the last alert; null: it has shown none. */
  frames: { drawn: number; dropped: number } | null
  widthPx: number
  heightPx: number
  /** Media of the play shown last that it could not load. */
  missing: string[]
  /** Names the machine that it runs on; empty where that cannot be told. */
  machine: string
  /** It answers and was not ready for several alerts in a row: others do not wait for it. */
  isSetAside: boolean
}

/** How far a play is. What became of one that is over is its outcome. */
export type PlayProgress = 'waiting' | 'preparing' | 'playing' | 'over'
export type PlayState = Exclude<PlayProgress, 'over'> | Outcome

/** Why a play waits, and when it is likely to begin, by the wall clock; null: nobody can say. See `forecast`. */
export interface ForecastView {
  playId: string
  startsAtMs: number | null
  why: WaitsWhy
}

export interface PlayView {
  id: string
  boxId: string
  eventId: string
  kind: EventKind
  /** Who did it, as the event says. */
  name: string
  /** One plain line, e.g. "€25.00 · o pão…". */
  detail: string
  variationName: string
  state: PlayState
  reason: string
  isTest: boolean
  enqueuedAtMs: number
  startedAtMs: number | null
  endedAtMs: number | null
  lengthMs: number
  /** How many sources confirmed showing it. */
  shownCount: number
  /** With how many it is shown, itself among them; 1: alone. */
  together: number
  /** The play that showed it with others; null: it was its own. */
  mergedInto: string | null
  approval: Approval
  /** What is read aloud of it; null where nothing is. */
  speech: DeskSpeech | null
}

/** What was taken out of a line all at once, until when it can be put back, and who did it. */
export interface ClearedView {
  count: number
  untilMs: number
  reason: string
}

/** What came to a box lately, in its order. */
export interface FloodView {
  arrivals: Arrival[]
}

export interface DeskView {
  boxId: string
  isHeld: boolean
  waiting: PlayView[]
  /** Of those that wait and are listed. */
  forecast: ForecastView[]
  waitingCount: number
  cleared: ClearedView | null
  current: PlayView | null
  log: PlayView[]
  sources: SourceView[]
}

/** Something that happened, with what a box decided about it. */
export interface HappeningView {
  eventId: string
  /** For asking what came before. */
  seq: number
  kind: EventKind
  name: string
  detail: string
  occurredAtMs: number
  receivedAtMs: number
  isTest: boolean
  /** Null where nothing plays. */
  variationName: string | null
  reason: string
  /** What became of it; null while it waits or plays, and where this box was not asked. */
  outcome: Outcome | null
  outcomeReason: string
}

/** A decision in words; without a tree where no rule was asked. */
export interface ReasonView {
  reason: string
  why: Why | null
}

/** Why an event got what it got, and what it would get from the draft as it is now. */
export interface WhyView extends ReasonView {
  /** Null: the very same. */
  draft: ReasonView | null
}

export interface FeedView {
  id: string
  platform: string
  name: string
  /** The account that was linked; null for a feed that was set up by hand. */
  account: string | null
  /** Since when it is not heard any more; null while it is. */
  unlinkedAtMs: number | null
  lastDeliveryAtMs: number | null
  lagMs: number | null
  acceptedCount: number
  repeatedCount: number
  rejectedCount: number
  refusedCount: number
  /** What was delivered last since the server started, as sent and as understood. */
  lastHeard: { raw: string; understood: string } | null
  /** Deliveries that were signed but not (wholly) understood, newest first. */
  notUnderstood: { id: string; receivedAtMs: number; raw: string; note: string }[]
}

/** How much room there is where everything is kept. */
export interface StorageView {
  freeBytes: number
}

/** The state under each station's name on the ridge line. */
export interface RidgeView {
  feeds: { linked: number; lastDeliveryAtMs: number | null }
  boxes: { count: number; differing: number; neverOnAir: number }
  triggers: { armed: number; running: number; waiting: number }
  desk: { sources: number; waiting: number; isPlaying: boolean; isHeld: boolean }
}

export interface TestAnswer {
  eventId: string
  playId: string | null
  /** Why nothing plays, where nothing does. */
  reason: string
  sources: number
}
