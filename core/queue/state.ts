import type { Outcome } from '../response/outcome.ts'

/** A play in the queue. */
export interface Ticket {
  playId: string
  enqueuedAtMs: number
  lengthMs: number
  /** Somebody has to let it be read first; others pass it meanwhile. */
  isAwaiting?: boolean
}

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

export interface QueueState {
  waiting: Ticket[]
  current: Current | null
  /** Connected sources with the plays that each says it has shown, and for how many in a row it was not ready. */
  sources: Record<string, { shownPlayIds: string[]; missed?: number }>
  isHeld: boolean
  /** Whether the line is still ours is not sure: what was begun goes on, nothing else begins. */
  isInDoubt: boolean
  /** Since when no source is connected; null while at least one is. */
  absentSinceMs: number | null
  /** The next play may start from here on. */
  freeAtMs: number
}

export const emptyQueue: QueueState = {
  waiting: [],
  current: null,
  sources: {},
  isHeld: false,
  isInDoubt: false,
  absentSinceMs: 0,
  freeAtMs: 0,
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
  /** It cannot be prepared just now, through no fault of its own: it goes back to the head of the line for a moment. */
  | { type: 'stalled'; playId: string; reason: string }
  /** Its voices have spoken, and it is known how long it lasts. */
  | { type: 'measured'; playId: string; lengthMs: number }
  | { type: 'held'; isHeld: boolean }
  /** Whether the line is surely ours; see `isInDoubt`. */
  | { type: 'doubted'; isInDoubt: boolean }
  | { type: 'ticked' }

export type QueueCommand =
  | { type: 'prepare'; playId: string; sourceIds: string[] }
  /** `offsetMs` > 0: a source that joins a play already running. */
  | { type: 'start'; playId: string; sourceIds: string[]; offsetMs: number }
  | { type: 'stop'; playId: string; sourceIds: string[] }
  | { type: 'recordPreparing'; playId: string }
  | { type: 'recordStarted'; playId: string; atMs: number }
  /** The first source confirmed showing it: from here on a crash must not play it again. */
  | { type: 'recordShown'; playId: string }
  /** Nobody let it be read in time: it goes on without that. */
  | { type: 'withhold'; playId: string; reason: string }
  | { type: 'recordLength'; playId: string; lengthMs: number }
  | { type: 'recordReturned'; playId: string; reason: string }
  /** `shownCount`: how many sources confirmed showing it. */
  | { type: 'recordEnded'; playId: string; outcome: Outcome; reason: string; shownCount: number }
  | { type: 'recordAbsence'; sinceMs: number | null }

/** What a step of the queue leads to: the state after it, and what has to be done outside. */
export interface StepResult {
  state: QueueState
  commands: QueueCommand[]
}
