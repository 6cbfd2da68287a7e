import type { Outcome } from '../response/outcome.ts'
import { emptyGroups, type Groups } from './groups.ts'
import { emptyLine, type Line } from './line.ts'
import type { Aired } from './rules/airtime.ts'
import type { ShownMemory } from './shownMemory.ts'
import type { Ticket } from './ticket.ts'

/** How far one source is with the current play. `aside`: it prepares, and nobody waits for it. */
export type SourceProgress = 'preparing' | 'aside' | 'ready' | 'started' | 'done'

/** A source that was not ready for so many plays in a row is set aside: others do not wait for it any more. */
export const setAsideAfter = 2

/**
 * The play that has the screen:
 * - preparing: sources load; nothing is seen yet
 * - playing: started at `startedAtMs`
 * - unconfirmed: it was started, but the server or every source went away before anybody confirmed seeing it; the next
 *   source to connect says whether it was shown
 */
export type Current =
  | { phase: 'preparing'; ticket: Ticket; sinceMs: number; progress: Record<string, SourceProgress> }
  | {
      phase: 'playing'
      ticket: Ticket
      startedAtMs: number
      shownCount: number
      progress: Record<string, SourceProgress>
    }
  | { phase: 'unconfirmed'; ticket: Ticket; startedAtMs: number }

/** A play of which there is only something to hear, beside what has the screen. */
export interface Beside {
  ticket: Ticket
  startedAtMs: number
  shownCount: number
}

/** Nothing begins, and why; what comes meanwhile is collected, or let go. */
export interface Quiet {
  does: 'collect' | 'letGo'
  why: string
}

/** How old plays are counts only while the line may move. */
export interface AgeClock {
  /** So long it has stood still in all. */
  stoodMs: number
  /** Since when it stands still; null: it goes. */
  sinceMs: number | null
}

/** What somebody took out of the line all at once: until a moment it can be put back as it was. */
export interface Cleared {
  line: Line
  untilMs: number
  /** By whom. */
  reason: string
}

export interface QueueState {
  line: Line
  cleared: Cleared | null
  current: Current | null
  beside: readonly Beside[]
  /** Connected sources with the plays that each says it has shown, and for how many in a row it was not ready. */
  sources: Record<string, { shown: ShownMemory; missed?: number }>
  isHeld: boolean
  quiet: Quiet | null
  /** Whether the line is still ours is not sure: what was begun goes on, nothing else begins. */
  isInDoubt: boolean
  /** Since when no source is connected; null while at least one is. */
  absentSinceMs: number | null
  /** The next play may start from here on. */
  freeAtMs: number
  ages: AgeClock
  /** What had the screen within the last minutes. */
  aired: readonly Aired[]
  /** Gifts that were given together lately, by what announced them. */
  groups: Groups
}

export const emptyQueue: QueueState = {
  line: emptyLine,
  cleared: null,
  current: null,
  beside: [],
  sources: {},
  isHeld: false,
  quiet: null,
  isInDoubt: false,
  absentSinceMs: 0,
  freeAtMs: 0,
  ages: { stoodMs: 0, sinceMs: null },
  aired: [],
  groups: emptyGroups,
}

/** What a source shows at a moment, and how far it is. */
export interface Showing {
  playId: string
  atMs: number
}

/** How far a source says that it is with a play. */
export interface Progressed {
  sourceId: string
  playId: string
  progress: 'ready' | 'started' | 'done'
}

export type QueueInput =
  /** In the order in which they came. */
  | { type: 'enqueued'; tickets: readonly Ticket[] }
  /** `showing`: what it shows at this moment, and how far that is. */
  | { type: 'sourceJoined'; sourceId: string; shownPlayIds: string[]; showing?: Showing | null }
  | { type: 'sourceLeft'; sourceId: string }
  | ({ type: 'sourceProgress' } & Progressed)
  /** Of several, in the order in which it was heard. */
  | { type: 'sourcesProgressed'; heard: readonly Progressed[] }
  /** Taken out by a person (skipped) or because it cannot be shown (failed). */
  | { type: 'removed'; playId: string; outcome: 'skipped' | 'failed'; reason: string }
  /** Somebody said whether it is read: it need not wait for that any more. */
  | { type: 'released'; playId: string }
  /** Somebody lets it be shown, or does not. */
  | { type: 'judged'; playId: string; isLet: boolean; reason: string }
  /** Somebody takes out all that waits; for ten seconds it can be put back. */
  | { type: 'cleared'; reason: string }
  | { type: 'putBack' }
  /** Somebody wants it to be the next, whatever its turn. */
  | { type: 'movedUp'; playId: string }
  /** It cannot be prepared just now, through no fault of its own: it goes back to the head of the line for a moment. */
  | { type: 'stalled'; playId: string; reason: string }
  /** Its voices have spoken, and it is known how long it lasts. */
  | { type: 'measured'; playId: string; lengthMs: number }
  | { type: 'held'; isHeld: boolean }
  | { type: 'quieted'; quiet: Quiet | null }
  /** Another policy is in force: whoever waits is put where that has them. */
  | { type: 'policyChanged' }
  /** Whether the line is surely ours; see `isInDoubt`. */
  | { type: 'doubted'; isInDoubt: boolean }
  | { type: 'ticked' }

export type QueueCommand =
  /** `ticket`: as it is to be shown, at its short end, for several. */
  | { type: 'prepare'; playId: string; ticket: Ticket; sourceIds: string[] }
  /** `offsetMs` > 0: a source that joins a play already running. */
  | { type: 'start'; playId: string; sourceIds: string[]; offsetMs: number }
  | { type: 'stop'; playId: string; sourceIds: string[] }
  /** Is heard at once, beside whatever is shown. */
  | { type: 'sound'; playId: string; ticket: Ticket; sourceIds: string[] }
  | { type: 'recordPreparing'; playId: string; ticket: Ticket }
  | { type: 'recordStarted'; playId: string; atMs: number }
  /** The first source confirmed showing it: from here on a crash must not play it again. */
  | { type: 'recordShown'; playId: string }
  /** Nobody let it be read in time: it goes on without that. */
  | { type: 'withhold'; playId: string; reason: string }
  | { type: 'recordLength'; playId: string; lengthMs: number }
  | { type: 'recordReturned'; playId: string; reason: string }
  /** `shownCount`: how many sources confirmed showing it. `into`: the play that shows it with others. */
  | { type: 'recordEnded'; playId: string; outcome: Outcome; reason: string; shownCount: number; into?: string }
  | { type: 'recordAbsence'; sinceMs: number | null }

/** What a step of the queue leads to: the state after it, and what has to be done outside. */
export interface StepResult {
  state: QueueState
  commands: QueueCommand[]
}
