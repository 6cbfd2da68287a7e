import { emptyQueue, type Current, type QueueCommand, type StepResult, type Ticket } from './state.ts'

/** A play as it was last recorded before the server stopped. */
export interface RecordedPlay {
  ticket: Ticket
  state: 'waiting' | 'preparing' | 'playing'
  startedAtMs: number | null
  shownCount: number
}

/**
 * Puts a queue together again after a stop or a crash. What was only being prepared waits again, first in line. What
 * had started and was confirmed runs on; what had started but was confirmed by nobody waits for a source to say. Where
 * several are recorded as playing, because a record of an end was lost, the last that started has the screen: of those
 * before it, what was confirmed has ended, and what nobody confirmed waits again (a source that has shown it says so).
 * @param plays in order of arrival
 * @param absentSinceMs since when no source is connected, as recorded; null when one was
 * @param aliveMs when the server was last known to run: where a source was connected, the absence counts from then, for
 *   nobody has shown anything since
 * @returns the state, and the ends that are still to be recorded
 */
export function recoverQueue(
  plays: readonly RecordedPlay[],
  absentSinceMs: number | null,
  isHeld: boolean,
  nowMs: number,
  aliveMs = nowMs,
): StepResult {
  const absentMs = Math.min(nowMs, absentSinceMs ?? aliveMs)
  const started = plays
    .filter((play) => play.state === 'playing' && play.startedAtMs !== null)
    .sort((a, b) => (a.startedAtMs ?? 0) - (b.startedAtMs ?? 0))
  const last = started.at(-1)
  const ended = started.filter((play) => play !== last && play.shownCount > 0)
  const again = [...started, ...plays.filter((play) => play.state === 'playing' && play.startedAtMs === null)].filter(
    (play) => play !== last && !ended.includes(play),
  )
  const inState = (wanted: RecordedPlay['state']) => plays.filter((play) => play.state === wanted)
  return {
    state: {
      ...emptyQueue,
      isHeld,
      absentSinceMs: absentMs,
      freeAtMs: nowMs,
      waiting: [...again, ...inState('preparing'), ...inState('waiting')].map((play) => play.ticket),
      current: last ? currentOf(last) : null,
    },
    commands: [
      // Kept at once: a server that stops again before any source came must not count from its own last moment.
      ...(absentSinceMs === null ? [{ type: 'recordAbsence' as const, sinceMs: absentMs }] : []),
      ...again.map(({ ticket }): QueueCommand => ({
        type: 'recordReturned',
        playId: ticket.playId,
        reason: 'whether it was shown is not known',
      })),
      ...ended.map(({ ticket, shownCount }): QueueCommand => ({
        type: 'recordEnded',
        playId: ticket.playId,
        outcome: 'played',
        reason: 'shown, though its end was not recorded',
        shownCount,
      })),
    ],
  }
}

function currentOf({ ticket, startedAtMs, shownCount }: RecordedPlay): Current {
  const atMs = startedAtMs ?? 0
  return shownCount > 0
    ? { phase: 'playing', ticket, startedAtMs: atMs, shownCount, progress: {} }
    : { phase: 'unconfirmed', ticket, startedAtMs: atMs }
}
