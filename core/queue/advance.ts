import type { QueuePolicy } from './policy.ts'
import {
  setAsideAfter,
  type Current,
  type QueueCommand,
  type QueueState,
  type SourceProgress,
  type StepResult,
} from './state.ts'

/** After a play's own length, this much is allowed for its sources to say that they are done. */
const doneGraceMs = 1_500

/** What follows by itself: a prepared play starts, a finished one ends, a free screen takes the next. */
export function advance({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
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
    return advance({ state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands }, nowMs, policy)
  }
  const next = state.waiting.find(({ isAwaiting }) => !isAwaiting)
  const sourceIds = Object.keys(state.sources)
  const isStill = state.isHeld || state.isInDoubt || sourceIds.length === 0 || nowMs < state.freeAtMs
  if (current || !next || isStill) return { state, commands }
  const progressBySource: Record<string, SourceProgress> = {}
  // Where all are set aside there is nobody whom waiting for them would harm.
  const areAllAside = sourceIds.every((id) => isSetAside(state, id))
  for (const id of sourceIds) {
    const begun = isSetAside(state, id) && !areAllAside ? 'aside' : 'preparing'
    progressBySource[id] = state.sources[id]?.shownPlayIds.includes(next.playId) ? 'done' : begun
  }
  const fresh = sourceIds.filter((id) => progressBySource[id] !== 'done')
  commands.push({ type: 'recordPreparing', playId: next.playId })
  if (fresh.length > 0) commands.push({ type: 'prepare', playId: next.playId, sourceIds: fresh })
  const prepared: Current = { phase: 'preparing', ticket: next, sinceMs: nowMs, progress: progressBySource }
  return advance(
    { state: { ...state, waiting: state.waiting.filter((each) => each !== next), current: prepared }, commands },
    nowMs,
    policy,
  )
}

function advancePreparing(
  state: QueueState,
  current: Extract<Current, { phase: 'preparing' }>,
  commands: QueueCommand[],
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const { playId } = current.ticket
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
    return advance({ state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands }, nowMs, policy)
  }
  if (ready.length > 0) {
    commands.push(
      { type: 'recordStarted', playId, atMs: nowMs },
      { type: 'start', playId, sourceIds: ready, offsetMs: 0 },
    )
    const playing: Current = {
      phase: 'playing',
      ticket: current.ticket,
      startedAtMs: nowMs,
      shownCount: 0,
      progress: current.progress,
    }
    return { state: { ...missedBy(state, current.progress), current: playing }, commands }
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
    return advance({ state: { ...missed, current: null, freeAtMs: nowMs + policy.gapMs }, commands }, nowMs, policy)
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
  let wakeMs = nextPlayMs(state, nowMs, policy) ?? Infinity
  for (const { isAwaiting, enqueuedAtMs } of state.waiting)
    if (isAwaiting) wakeMs = Math.min(wakeMs, enqueuedAtMs + policy.approvalMaxMs)
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
  if (
    current ||
    state.isHeld ||
    !state.waiting.some(({ isAwaiting }) => !isAwaiting) ||
    Object.keys(state.sources).length === 0
  )
    return null
  return Math.max(nowMs, state.freeAtMs)
}
