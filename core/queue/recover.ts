import { enqueue } from './enqueue.ts'
import { plainPolicy, type QueuePolicy } from './policy.ts'
import { isHeardBeside } from './rules/beside.ts'
import { emptyQueue, type Current, type QueueCommand, type StepResult } from './state.ts'
import type { Ticket } from './ticket.ts'

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
 * What sounded beside was heard. Those that waited take their places by the policy, as if they came now in their order.
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
  policy: QueuePolicy = plainPolicy,
): StepResult {
  const absentMs = Math.min(nowMs, absentSinceMs ?? aliveMs)
  const isBeside = ({ ticket }: RecordedPlay) => isHeardBeside(ticket.facts ?? null, policy.beside)
  const started = plays
    .filter((play) => play.state === 'playing' && play.startedAtMs !== null && !isBeside(play))
    .sort((a, b) => (a.startedAtMs ?? 0) - (b.startedAtMs ?? 0))
  const last = started.at(-1)
  const sounded = plays.filter((play) => play.state === 'playing' && isBeside(play))
  const ended = [...started.filter((play) => play !== last && play.shownCount > 0), ...sounded]
  const again = [...started, ...plays.filter((play) => play.state === 'playing' && play.startedAtMs === null)].filter(
    (play) => play !== last && !ended.includes(play),
  )
  const inState = (wanted: RecordedPlay['state']) => plays.filter((play) => play.state === wanted)
  const begun = [...again, ...inState('preparing')].reverse()
  const empty = {
    ...emptyQueue,
    isHeld: false,
    absentSinceMs: absentMs,
    freeAtMs: nowMs,
    current: last ? currentOf(last) : null,
  }
  const waiting = inState('waiting').map((play) => play.ticket)
  // Held or not: they are there already, and what a held line lets go is what comes.
  const { state, commands } = enqueue(empty, waiting, nowMs, policy)
  const line = begun.reduce((before, { ticket }) => before.withFirst(ticket), state.line)
  return {
    state: { ...state, isHeld, line },
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
      ...commands,
    ],
  }
}

function currentOf({ ticket, startedAtMs, shownCount }: RecordedPlay): Current {
  const atMs = startedAtMs ?? 0
  return shownCount > 0
    ? { phase: 'playing', ticket, startedAtMs: atMs, shownCount, progress: {} }
    : { phase: 'unconfirmed', ticket, startedAtMs: atMs }
}
