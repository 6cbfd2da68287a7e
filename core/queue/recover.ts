import { emptyQueue, type QueueState, type Ticket } from './state.ts'

/** A play as it was last recorded before the server stopped. */
export interface RecordedPlay {
  ticket: Ticket
  state: 'waiting' | 'preparing' | 'playing'
  startedAtMs: number | null
  shownCount: number
}

/**
 * Puts a queue together again after a stop or a crash. What was only being prepared waits again, first in line. What
 * had started and was confirmed runs on; what had started but was confirmed by nobody waits for a source to say.
 * @param plays in order of arrival
 * @param absentSinceMs as recorded; null when a source was connected, and the absence then counts from now
 */
export function recoverQueue(
  plays: readonly RecordedPlay[],
  absentSinceMs: number | null,
  isHeld: boolean,
  nowMs: number,
): QueueState {
  const state: QueueState = { ...emptyQueue, isHeld, absentSinceMs: absentSinceMs ?? nowMs, freeAtMs: nowMs }
  const front = plays.filter((play) => play.state === 'preparing')
  state.waiting = [...front, ...plays.filter((play) => play.state === 'waiting')].map((play) => play.ticket)
  const playing = plays.find((play) => play.state === 'playing' && play.startedAtMs !== null)
  if (playing?.startedAtMs != null) {
    const { ticket, startedAtMs, shownCount } = playing
    state.current =
      shownCount > 0
        ? { phase: 'playing', ticket, startedAtMs, shownCount, progress: {} }
        : { phase: 'unconfirmed', ticket, startedAtMs }
  }
  return state
}
