import type { QueuePolicy } from './policy.ts'
import { whenAgeMs } from './rules/age.ts'
import { airedUntil, allowedFromMs, lately } from './rules/airtime.ts'
import { isPressed, shortened } from './rules/elastic.ts'
import {
  setAsideAfter,
  type Beside,
  type Current,
  type QueueCommand,
  type QueueState,
  type SourceProgress,
  type StepResult,
} from './state.ts'
import type { Ticket } from './ticket.ts'

/** After a play's own length, this much is allowed for its sources to say that they are done. */
const doneGraceMs = 1_500

/** What follows by itself: a prepared play starts, a finished one ends, a free screen takes the next. */
export function advance(before: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  return advanceScreen(advanceBeside(before, nowMs, policy), nowMs, policy)
}

function advanceScreen({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  const { current } = state
  if (current?.phase === 'preparing') return advancePreparing(state, current, commands, nowMs, policy)
  if (current?.phase === 'playing' && isOver(current, nowMs)) {
    commands.push({
      type: 'recordEnded',
      playId: current.ticket.playId,
      outcome: 'played',
      reason: 'shown to its end',
      shownCount: current.shownCount,
    })
    return advanceScreen({ state: freed(state, nowMs, policy), commands }, nowMs, policy)
  }
  const turn = nextTurn(state, nowMs, policy)
  if (!turn || turn.fromMs > nowMs) return { state, commands }
  const { ticket } = turn
  const sourceIds = Object.keys(state.sources)
  const progressBySource: Record<string, SourceProgress> = {}
  // Where all are set aside there is nobody whom waiting for them would harm.
  const areAllAside = sourceIds.every((id) => isSetAside(state, id))
  for (const id of sourceIds) {
    const begun = isSetAside(state, id) && !areAllAside ? 'aside' : 'preparing'
    progressBySource[id] = hasShown(state, id, ticket.playId) ? 'done' : begun
  }
  const fresh = sourceIds.filter((id) => progressBySource[id] !== 'done')
  commands.push({ type: 'recordPreparing', playId: ticket.playId, ticket })
  if (fresh.length > 0) commands.push({ type: 'prepare', playId: ticket.playId, ticket, sourceIds: fresh })
  const prepared: Current = { phase: 'preparing', ticket, sinceMs: nowMs, progress: progressBySource }
  const line = state.line.without(ticket.playId)
  return advanceScreen({ state: { ...state, line, current: prepared }, commands }, nowMs, policy)
}

/** Nothing begins, whatever waits. */
const isStill = (state: QueueState): boolean => isStillBecause(state) !== null

const still = {
  held: { because: 'held' },
  doubt: { because: 'doubt' },
  noSource: { because: 'noSource' },
} as const

/** Why nothing begins, whatever waits; null: something may. */
export function isStillBecause({
  isHeld,
  isInDoubt,
  quiet,
  sources,
}: QueueState): { because: 'held' | 'doubt' | 'noSource' } | { because: 'quiet'; why: string } | null {
  if (isHeld) return still.held
  if (quiet) return { because: 'quiet', why: quiet.why }
  if (isInDoubt) return still.doubt
  for (const _id in sources) return null
  return still.noSource
}

/** What has the screen next, as it is to be shown, and from when on; null where nothing may begin, whatever the time. */
export function nextTurn(
  state: QueueState,
  nowMs: number,
  policy: QueuePolicy,
): { ticket: Ticket; fromMs: number } | null {
  const { current, line, aired, freeAtMs } = state
  const next = current || isStill(state) ? null : line.next
  if (!next) return null
  const ticket = isPressed(line, policy.elastic, policy.gapMs) ? shortened(next.ticket) : next.ticket
  const fromMs = Math.max(nowMs, freeAtMs)
  return { ticket, fromMs: allowedFromMs(aired, ticket.lengthMs, fromMs, policy.airtimePercent) }
}

/** The screen is free, and takes the next after the gap. */
const freed = (state: QueueState, nowMs: number, policy: QueuePolicy): QueueState => ({
  ...state,
  current: null,
  freeAtMs: nowMs + policy.gapMs,
  aired: airedUntil(state.aired, nowMs),
})

const hasShown = ({ sources }: QueueState, sourceId: string, playId: string): boolean =>
  sources[sourceId]?.shown.has(playId) ?? false

/** What is only heard sounds over whatever is shown, so many at once. */
function advanceBeside({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  let { beside, line } = state
  // Most of the time nothing is.
  if (beside.length === 0 && line.nextBeside === null) return { state, commands }
  const over = beside.filter((each) => besideEndsMs(each) <= nowMs)
  for (const { ticket, shownCount } of over)
    commands.push({
      type: 'recordEnded',
      playId: ticket.playId,
      outcome: 'played',
      reason: 'sounded beside what was shown',
      shownCount,
    })
  if (over.length > 0) beside = beside.filter((each) => !over.includes(each))
  while (mayBeginBeside({ ...state, beside, line }, policy)) {
    const next = line.nextBeside
    if (!next) break
    const { ticket } = next
    const { playId } = ticket
    const sourceIds = Object.keys(state.sources).filter((id) => !hasShown(state, id, playId))
    commands.push({ type: 'recordStarted', playId, atMs: nowMs }, { type: 'recordShown', playId })
    if (sourceIds.length > 0) commands.push({ type: 'sound', playId, ticket, sourceIds })
    beside = [...beside, { ticket, startedAtMs: nowMs, shownCount: Object.keys(state.sources).length }]
    line = line.without(playId)
  }
  return { state: beside === state.beside && line === state.line ? state : { ...state, beside, line }, commands }
}

const mayBeginBeside = (state: QueueState, policy: QueuePolicy): boolean =>
  state.line.nextBeside !== null && !isStill(state) && state.beside.length < (policy.beside?.atMost ?? 1)

const besideEndsMs = ({ startedAtMs, ticket }: Beside): number => startedAtMs + ticket.lengthMs

function advancePreparing(
  state: QueueState,
  current: Extract<Current, { phase: 'preparing' }>,
  commands: QueueCommand[],
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const { ticket } = current
  const { playId } = ticket
  // Another may have begun with it by now.
  if (state.isInDoubt) return { state, commands }
  const isEverySettled = !isAnyPreparing(current.progress)
  const waitedMs = nowMs - current.sinceMs
  // Looked at once for every source that becomes ready: with hundreds of them, nothing is gathered before it is needed.
  if (!isEverySettled && waitedMs < policy.prepareMaxMs) return { state, commands }
  const ready = Object.keys(current.progress).filter((id) => current.progress[id] === 'ready')
  if (isEverySettled && ready.length === 0) {
    commands.push({
      type: 'recordEnded',
      playId,
      outcome: 'played',
      reason: 'every connected source had shown it already',
      shownCount: Object.keys(current.progress).length,
    })
    return advanceScreen({ state: freed(state, nowMs, policy), commands }, nowMs, policy)
  }
  if (ready.length > 0) {
    commands.push(
      { type: 'recordStarted', playId, atMs: nowMs },
      { type: 'start', playId, sourceIds: ready, offsetMs: 0 },
    )
    const playing: Current = {
      phase: 'playing',
      ticket,
      startedAtMs: nowMs,
      shownCount: 0,
      progress: current.progress,
    }
    const aired = [...lately(state.aired, nowMs), { fromMs: nowMs, untilMs: nowMs + ticket.lengthMs }]
    return { state: { ...missedBy(state, current.progress), current: playing, aired }, commands }
  }
  if (waitedMs >= policy.giveUpMs) {
    commands.push({
      type: 'recordEnded',
      playId,
      outcome: 'failed',
      reason: `no source became ready within ${Math.round(waitedMs / 1000)} s`,
      shownCount: 0,
    })
    const missed = missedBy(state, current.progress)
    return advanceScreen({ state: freed(missed, nowMs, policy), commands }, nowMs, policy)
  }
  return { state, commands }
}

/** Whether nobody waits for a source: it answers, and was not ready for several plays in a row. */
export function isSetAside(state: QueueState, sourceId: string): boolean {
  return (state.sources[sourceId]?.missed ?? 0) >= setAsideAfter
}

/** Counts against the sources that are not ready that they are not. */
function missedBy(state: QueueState, progress: Readonly<Record<string, SourceProgress>>): QueueState {
  const late = Object.keys(progress).filter((id) => progress[id] === 'preparing' || progress[id] === 'aside')
  if (late.length === 0) return state
  const sources = { ...state.sources }
  for (const id of late) {
    const source = sources[id]
    if (source) sources[id] = { ...source, missed: (source.missed ?? 0) + 1 }
  }
  return { ...state, sources }
}

/** Over when every source that took part is done, or when its time and the grace have passed. */
function isOver(current: Extract<Current, { phase: 'playing' }>, nowMs: number): boolean {
  if (nowMs >= current.startedAtMs + current.ticket.lengthMs + doneGraceMs) return true
  return areAllDone(current.progress)
}

// Both are asked on every word of every source, and stop at the first that decides.
function isAnyPreparing(progress: Readonly<Record<string, SourceProgress>>): boolean {
  for (const id in progress) if (progress[id] === 'preparing') return true
  return false
}

/** With nobody taking part, nobody is done either. Whoever is set aside is not waited for here either. */
function areAllDone(progress: Readonly<Record<string, SourceProgress>>): boolean {
  let isAnyDone = false
  for (const id in progress) {
    if (progress[id] === 'aside') continue
    if (progress[id] !== 'done') return false
    isAnyDone = true
  }
  return isAnyDone
}

/**
 * When the queue must be looked at again though nothing happens; null when only an input can change it. Epoch
 * milliseconds.
 */
export function nextWakeMs(state: QueueState, nowMs: number, policy: QueuePolicy): number | null {
  const { line, ages, beside } = state
  let wakeMs = nextPlayMs(state, nowMs, policy) ?? Infinity
  const aside = line.nextAside?.aside
  if (aside) wakeMs = Math.min(wakeMs, aside.untilMs)
  const late = line.nextDeadline
  if (late) wakeMs = Math.min(wakeMs, Math.max(nowMs, whenAgeMs(ages, late.deadlineMs) ?? Infinity))
  for (const each of beside) wakeMs = Math.min(wakeMs, besideEndsMs(each))
  if (state.cleared) wakeMs = Math.min(wakeMs, state.cleared.untilMs)
  return wakeMs === Infinity ? null : wakeMs
}

function nextPlayMs(state: QueueState, nowMs: number, policy: QueuePolicy): number | null {
  const { current } = state
  if (state.isInDoubt && current?.phase !== 'playing') return null
  if (current?.phase === 'preparing') {
    const startsAtMs = current.sinceMs + policy.prepareMaxMs
    return nowMs < startsAtMs ? startsAtMs : current.sinceMs + policy.giveUpMs
  }
  if (current?.phase === 'playing') return current.startedAtMs + current.ticket.lengthMs + doneGraceMs
  return nextTurn(state, nowMs, policy)?.fromMs ?? null
}
