import { endOf } from './enqueue.ts'
import type { Line } from './line.ts'
import type { QueuePolicy } from './policy.ts'
import { ShownMemory } from './shownMemory.ts'
import type {
  Current,
  Progressed,
  QueueCommand,
  QueueInput,
  QueueState,
  Showing,
  SourceProgress,
  StepResult,
} from './state.ts'

/** A source that has less than this left of a running play waits for the next one instead of flashing its end. */
const joinAtLeastMs = 500

/** A source comes: it joins what plays, and what waited too long without any source ends. */
export function join(
  before: QueueState,
  { sourceId, shownPlayIds, showing }: Extract<QueueInput, { type: 'sourceJoined' }>,
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const { state, commands } = takeUpShown(before, showing ?? null, nowMs)
  const sources = { ...state.sources, [sourceId]: { shown: ShownMemory.of(shownPlayIds) } }
  let { current, line } = state
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
      line = line.withFirst(current.ticket)
      commands.push({ type: 'recordReturned', playId: current.ticket.playId, reason: 'no source had shown it' })
      current = null
    }
  } else if (current) {
    const hasShown = shownPlayIds.includes(current.ticket.playId)
    const isWorthJoining = current.phase === 'preparing' || leftMs(current, nowMs) >= joinAtLeastMs
    if (hasShown) current = withProgress(current, sourceId, 'started')
    else if (isWorthJoining) {
      current = withProgress(current, sourceId, 'preparing')
      commands.push({
        type: 'prepare',
        playId: current.ticket.playId,
        ticket: current.ticket,
        sourceIds: [sourceId],
      })
    }
  }
  if (state.absentSinceMs !== null) {
    line = letGoAfterAbsence(line, state.absentSinceMs, commands, nowMs, policy)
    commands.push({ type: 'recordAbsence', sinceMs: null })
  }
  return { state: { ...state, sources, current, line, absentSinceMs: null }, commands }
}

/** Without what has waited too long while nobody could show it. */
function letGoAfterAbsence(
  before: Line,
  absentSinceMs: number,
  commands: QueueCommand[],
  nowMs: number,
  { awayMaxMs }: QueuePolicy,
): Line {
  // Nobody waited longer than the absence: after a blink nothing has to be looked through.
  if (nowMs - absentSinceMs <= awayMaxMs) return before
  let line = before
  for (const { ticket } of before.inOrder()) {
    const waitedMs = nowMs - Math.max(ticket.enqueuedAtMs, absentSinceMs)
    if (waitedMs <= awayMaxMs) continue
    commands.push(endOf(ticket.playId, 'expired', `no source was connected for ${Math.round(waitedMs / 1000)} s`))
    line = line.without(ticket.playId)
  }
  return line
}

/**
 * A source shows what nobody here knows to have begun: whoever began it was gone before that was written. It has the screen.
 */
function takeUpShown(state: QueueState, showing: Showing | null, nowMs: number): StepResult {
  const { current } = state
  const isCurrent = current !== null && current.phase !== 'playing' && current.ticket.playId === showing?.playId
  const ticket = isCurrent ? current.ticket : showing && state.line.find(showing.playId)?.ticket
  if (!showing || !ticket || (current && !isCurrent)) return { state, commands: [] }
  const startedAtMs = nowMs - showing.atMs
  const progress = current?.phase === 'preparing' ? current.progress : {}
  return {
    state: {
      ...state,
      line: state.line.without(ticket.playId),
      current: { phase: 'playing', ticket, startedAtMs, shownCount: 1, progress },
    },
    commands: [
      { type: 'recordStarted', playId: ticket.playId, atMs: startedAtMs },
      { type: 'recordShown', playId: ticket.playId },
    ],
  }
}

/** A source goes: what nobody has seen waits for it, what some have seen goes on without it. */
export function leave(state: QueueState, sourceId: string, nowMs: number): StepResult {
  if (!(sourceId in state.sources)) return { state, commands: [] }
  const commands: QueueCommand[] = []
  const sources = without(state.sources, sourceId)
  const isEmpty = Object.keys(sources).length === 0
  if (isEmpty) commands.push({ type: 'recordAbsence', sinceMs: nowMs })
  let { current, line } = state
  if (current && current.phase !== 'unconfirmed') {
    if (current.phase === 'preparing' && isEmpty) {
      line = line.withFirst(current.ticket)
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
    state: { ...state, sources, current, line, absentSinceMs: isEmpty ? nowMs : state.absentSinceMs },
    commands,
  }
}

/** Whether a source is known to have shown a play. Of the current one that is known without looking through all of its others. */
function hasSeen(current: Current | null, sourceId: string, playId: string, shown: ShownMemory): boolean {
  if (current?.phase !== 'playing' || current.ticket.playId !== playId) return shown.has(playId)
  const known = current.progress[sourceId]
  return known === 'started' || known === 'done'
}

/** Sources say how far they are with plays. Everything is copied once, however many they are. */
export function progress(state: QueueState, heard: readonly Progressed[], nowMs: number): StepResult {
  const commands: QueueCommand[] = []
  let { sources, current } = state
  if (current && current.phase !== 'unconfirmed') current = { ...current, progress: { ...current.progress } }
  const late: string[] = []
  for (const { sourceId, playId, progress: reached } of heard) {
    const source = sources[sourceId]
    if (!source) continue
    const isNewlySeen = reached !== 'ready' && !hasSeen(current, sourceId, playId, source.shown)
    // Ready for one, it is waited for again.
    const isBack = (source.missed ?? 0) > 0
    if (isNewlySeen || isBack) {
      if (sources === state.sources) sources = { ...sources }
      sources[sourceId] = { shown: isNewlySeen ? source.shown.with(playId) : source.shown }
    }
    if (!current || current.ticket.playId !== playId || current.phase === 'unconfirmed') continue
    if (current.phase === 'playing') {
      if (isNewlySeen) {
        if (current.shownCount === 0) commands.push({ type: 'recordShown', playId })
        current.shownCount += 1
      }
      if (reached === 'ready' && leftMs(current, nowMs) >= joinAtLeastMs) late.push(sourceId)
    }
    current.progress[sourceId] = reached
  }
  if (late.length > 0 && current?.phase === 'playing')
    commands.push({
      type: 'start',
      playId: current.ticket.playId,
      sourceIds: late,
      offsetMs: Math.max(0, nowMs - current.startedAtMs),
    })
  return { state: withSources(state, sources, current), commands }
}

/** Field by field: of all that is done in a queue this is done most, and to spread a state takes as long as all the rest of it. */
const withSources = (
  { line, cleared, beside, isHeld, quiet, isInDoubt, absentSinceMs, freeAtMs, ages, aired, groups }: QueueState,
  sources: QueueState['sources'],
  current: Current | null,
): QueueState => ({
  line,
  cleared,
  current,
  beside,
  sources,
  isHeld,
  quiet,
  isInDoubt,
  absentSinceMs,
  freeAtMs,
  ages,
  aired,
  groups,
})

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
