import { assertNever } from '../assertNever.ts'
import type { QueuePolicy } from './policy.ts'
import type { Current, QueueCommand, QueueInput, QueueState, SourceProgress, Ticket } from './state.ts'

export interface StepResult {
  state: QueueState
  commands: QueueCommand[]
}

/** A source that has less than this left of a running play waits for the next one instead of flashing its end. */
const joinAtLeastMs = 500
/** After a play's own length, this much is allowed for its sources to say that they are done. */
const doneGraceMs = 1_500

/**
 * One step of a box's queue: pure, and no input is dropped silently. Plays come one at a time, in order of arrival; one
 * that somebody has to let be read waits aside until then. A play passes preparing → playing → ended; with no source
 * connected everything waits.
 *
 * Promises kept, whatever the order of inputs: every ticket that enters ends in exactly one `recordEnded` or is still
 * in the state; at most one play is current; a play that a source says it has shown is never sent to that source again.
 * Cost: linear in the number of connected sources (and of waiting plays, when a source joins after absence).
 */
export function step(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  const taken = withhold(take(state, input, nowMs, policy), nowMs, policy)
  return advance(taken, nowMs, policy)
}

function take(state: QueueState, input: QueueInput, nowMs: number, policy: QueuePolicy): StepResult {
  switch (input.type) {
    case 'enqueued':
      return enqueue(state, input.ticket, policy)
    case 'sourceJoined':
      return join(state, input.sourceId, input.shownPlayIds, nowMs, policy)
    case 'sourceLeft':
      return leave(state, input.sourceId, nowMs)
    case 'sourceProgress':
      return progress(state, input.sourceId, input.playId, input.progress, nowMs)
    case 'removed':
      return remove(state, input, nowMs, policy)
    case 'held':
      return { state: { ...state, isHeld: input.isHeld }, commands: [] }
    case 'released':
      return {
        state: {
          ...state,
          waiting: state.waiting.map((each) => (each.playId === input.playId ? { ...each, isAwaiting: false } : each)),
        },
        commands: [],
      }
    case 'measured':
      return measured(state, input)
    case 'ticked':
      return { state, commands: [] }
    default:
      return assertNever(input)
  }
}

/** The line is bounded: where it is full, the play that has waited longest gives way, and the log says so. */
function enqueue(state: QueueState, ticket: Ticket, policy: QueuePolicy): StepResult {
  const isFull = state.waiting.length >= policy.waitingMax
  const [oldest] = state.waiting
  const commands: QueueCommand[] =
    isFull && oldest
      ? [
          {
            type: 'recordEnded',
            playId: oldest.playId,
            outcome: 'expired',
            reason: `more than ${policy.waitingMax} were waiting`,
            shownCount: 0,
          },
        ]
      : []
  return { state: { ...state, waiting: [...(isFull ? state.waiting.slice(1) : state.waiting), ticket] }, commands }
}

function join(
  state: QueueState,
  sourceId: string,
  shownPlayIds: string[],
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const commands: QueueCommand[] = []
  const sources = { ...state.sources, [sourceId]: { shownPlayIds } }
  let { current, waiting } = state
  // Before ages are looked at: an unconfirmed play that returns to the line has an age too.
  if (current?.phase === 'unconfirmed') {
    if (shownPlayIds.includes(current.ticket.playId)) {
      current = {
        phase: 'playing',
        ticket: current.ticket,
        startedAtMs: current.startedAtMs,
        shownCount: 1,
        progress: { [sourceId]: 'started' },
      }
      commands.push({ type: 'recordShown', playId: current.ticket.playId })
    } else {
      waiting = [current.ticket, ...waiting]
      commands.push({ type: 'recordReturned', playId: current.ticket.playId, reason: 'no source had shown it' })
      current = null
    }
  } else if (current) {
    const hasShown = shownPlayIds.includes(current.ticket.playId)
    const isWorthJoining = current.phase === 'preparing' || leftMs(current, nowMs) >= joinAtLeastMs
    if (hasShown) current = withProgress(current, sourceId, 'started')
    else if (isWorthJoining) {
      current = withProgress(current, sourceId, 'preparing')
      commands.push({ type: 'prepare', playId: current.ticket.playId, sourceIds: [sourceId] })
    }
  }
  if (state.absentSinceMs !== null) {
    const absentSinceMs = state.absentSinceMs
    const waitedMs = (enqueuedAtMs: number) => nowMs - Math.max(enqueuedAtMs, absentSinceMs)
    for (const ticket of waiting.filter((each) => waitedMs(each.enqueuedAtMs) > policy.awayMaxMs)) {
      const seconds = Math.round(waitedMs(ticket.enqueuedAtMs) / 1000)
      commands.push({
        type: 'recordEnded',
        playId: ticket.playId,
        outcome: 'expired',
        reason: `no source was connected for ${seconds} s`,
        shownCount: 0,
      })
    }
    waiting = waiting.filter((each) => waitedMs(each.enqueuedAtMs) <= policy.awayMaxMs)
    commands.push({ type: 'recordAbsence', sinceMs: null })
  }
  return { state: { ...state, sources, current, waiting, absentSinceMs: null }, commands }
}

function leave(state: QueueState, sourceId: string, nowMs: number): StepResult {
  if (!(sourceId in state.sources)) return { state, commands: [] }
  const commands: QueueCommand[] = []
  const sources = without(state.sources, sourceId)
  const isEmpty = Object.keys(sources).length === 0
  if (isEmpty) commands.push({ type: 'recordAbsence', sinceMs: nowMs })
  let { current, waiting } = state
  if (current && current.phase !== 'unconfirmed') {
    if (current.phase === 'preparing' && isEmpty) {
      waiting = [current.ticket, ...waiting]
      commands.push({
        type: 'recordReturned',
        playId: current.ticket.playId,
        reason: 'the last source went away before it started',
      })
      current = null
    } else if (current.phase === 'playing' && isEmpty && current.shownCount === 0) {
      current = { phase: 'unconfirmed', ticket: current.ticket, startedAtMs: current.startedAtMs }
    } else {
      current = { ...current, progress: without(current.progress, sourceId) }
    }
  }
  return {
    state: { ...state, sources, current, waiting, absentSinceMs: isEmpty ? nowMs : state.absentSinceMs },
    commands,
  }
}

function progress(
  state: QueueState,
  sourceId: string,
  playId: string,
  reached: 'ready' | 'started' | 'done',
  nowMs: number,
): StepResult {
  const commands: QueueCommand[] = []
  const source = state.sources[sourceId]
  if (!source) return { state, commands }
  const isNewlySeen = reached !== 'ready' && !source.shownPlayIds.includes(playId)
  const sources = isNewlySeen
    ? { ...state.sources, [sourceId]: { shownPlayIds: [...source.shownPlayIds.slice(-199), playId] } }
    : state.sources
  let { current } = state
  if (!current || current.ticket.playId !== playId || current.phase === 'unconfirmed')
    return { state: { ...state, sources }, commands }
  if (current.phase === 'playing' && isNewlySeen) {
    if (current.shownCount === 0) commands.push({ type: 'recordShown', playId })
    current = { ...current, shownCount: current.shownCount + 1 }
  }
  if (reached === 'ready' && current.phase === 'playing') {
    const offsetMs = Math.max(0, nowMs - current.startedAtMs)
    if (leftMs(current, nowMs) >= joinAtLeastMs)
      commands.push({ type: 'start', playId, sourceIds: [sourceId], offsetMs })
  }
  return { state: { ...state, sources, current: withProgress(current, sourceId, reached) }, commands }
}

function remove(
  state: QueueState,
  { playId, outcome, reason }: Extract<QueueInput, { type: 'removed' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const shownCount =
    state.current?.phase === 'playing' && state.current.ticket.playId === playId ? state.current.shownCount : 0
  const ended: QueueCommand = { type: 'recordEnded', playId, outcome, reason, shownCount }
  if (state.current?.ticket.playId === playId) {
    const stop: QueueCommand = { type: 'stop', playId, sourceIds: Object.keys(state.sources) }
    return { state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands: [stop, ended] }
  }
  const waiting = state.waiting.filter((each) => each.playId !== playId)
  return waiting.length === state.waiting.length
    ? { state, commands: [] }
    : { state: { ...state, waiting }, commands: [ended] }
}

function measured(state: QueueState, { playId, lengthMs }: Extract<QueueInput, { type: 'measured' }>): StepResult {
  const commands: QueueCommand[] = []
  const change = (ticket: Ticket): Ticket => {
    if (ticket.playId !== playId || ticket.lengthMs === lengthMs) return ticket
    commands.push({ type: 'recordLength', playId, lengthMs })
    return { ...ticket, lengthMs }
  }
  const { current } = state
  // What plays was measured before it started; only a replay of the message could say otherwise.
  const changed = current?.phase === 'preparing' ? { ...current, ticket: change(current.ticket) } : current
  return { state: { ...state, current: changed, waiting: state.waiting.map(change) }, commands }
}

/** Lets go on what nobody let be read in time. */
function withhold({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  const late = state.waiting.filter((each) => each.isAwaiting && nowMs - each.enqueuedAtMs >= policy.approvalMaxMs)
  if (late.length === 0) return { state, commands }
  for (const { playId } of late)
    commands.push({
      type: 'withhold',
      playId,
      reason: `nobody let it be read within ${Math.round(policy.approvalMaxMs / 60_000)} minutes`,
    })
  return {
    state: {
      ...state,
      waiting: state.waiting.map((each) => (late.includes(each) ? { ...each, isAwaiting: false } : each)),
    },
    commands,
  }
}

/** What follows by itself: a prepared play starts, a finished one ends, a free screen takes the next. */
function advance({ state, commands }: StepResult, nowMs: number, policy: QueuePolicy): StepResult {
  const { current } = state
  if (current?.phase === 'preparing') return advancePreparing(state, current, commands, nowMs, policy)
  if (current?.phase === 'playing' && isOver(current, nowMs)) {
    commands.push({
      type: 'recordEnded',
      playId: current.ticket.playId,
      outcome: 'done',
      reason: 'shown to its end',
      shownCount: current.shownCount,
    })
    return advance({ state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands }, nowMs, policy)
  }
  const next = state.waiting.find(({ isAwaiting }) => !isAwaiting)
  const sourceIds = Object.keys(state.sources)
  if (current || !next || state.isHeld || sourceIds.length === 0 || nowMs < state.freeAtMs) return { state, commands }
  const progressBySource: Record<string, SourceProgress> = {}
  for (const id of sourceIds)
    progressBySource[id] = state.sources[id]?.shownPlayIds.includes(next.playId) ? 'done' : 'preparing'
  const fresh = sourceIds.filter((id) => progressBySource[id] === 'preparing')
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
  const isEverySettled = !isAnyPreparing(current.progress)
  const waitedMs = nowMs - current.sinceMs
  // Looked at once for every source that becomes ready: with hundreds of them, nothing is gathered before it is needed.
  if (!isEverySettled && waitedMs < policy.prepareMaxMs) return { state, commands }
  const ready = Object.keys(current.progress).filter((id) => current.progress[id] === 'ready')
  if (isEverySettled && ready.length === 0) {
    commands.push({
      type: 'recordEnded',
      playId,
      outcome: 'done',
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
    return { state: { ...state, current: playing }, commands }
  }
  if (waitedMs >= policy.giveUpMs) {
    commands.push({
      type: 'recordEnded',
      playId,
      outcome: 'failed',
      reason: `no source became ready within ${Math.round(waitedMs / 1000)} s`,
      shownCount: 0,
    })
    return advance({ state: { ...state, current: null, freeAtMs: nowMs + policy.gapMs }, commands }, nowMs, policy)
  }
  return { state, commands }
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

/** With nobody taking part, nobody is done either. */
function areAllDone(progress: Readonly<Record<string, SourceProgress>>): boolean {
  let isAnyDone = false
  for (const id in progress) {
    if (progress[id] !== 'done') return false
    isAnyDone = true
  }
  return isAnyDone
}

function leftMs(current: Exclude<Current, { phase: 'preparing' }>, nowMs: number): number {
  return current.startedAtMs + current.ticket.lengthMs - nowMs
}

function withProgress<C extends Exclude<Current, { phase: 'unconfirmed' }>>(
  current: C,
  sourceId: string,
  reached: SourceProgress,
): C {
  return { ...current, progress: { ...current.progress, [sourceId]: reached } }
}

function without<T>(record: Record<string, T>, key: string): Record<string, T> {
  const rest = { ...record }
  delete rest[key]
  return rest
}

/**
 * When the queue must be looked at again though nothing happens; null when only an input can change it. Epoch
 * milliseconds.
 */
export function nextWakeMs(state: QueueState, nowMs: number, policy: QueuePolicy): number | null {
  const awaited = state.waiting
    .filter(({ isAwaiting }) => isAwaiting)
    .map(({ enqueuedAtMs }) => enqueuedAtMs + policy.approvalMaxMs)
  const wakes = [nextPlayMs(state, nowMs, policy), ...awaited].filter((atMs) => atMs !== null)
  return wakes.length === 0 ? null : Math.min(...wakes)
}

function nextPlayMs(state: QueueState, nowMs: number, policy: QueuePolicy): number | null {
  const { current } = state
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
