import type { PlannedStep, RunPlan } from './planRunSheet.ts'

/** A run of a sheet that was let through. Moments are those of the steady clock. */
export interface LiveRun {
  id: string
  triggerId: string
  /** Whether it waits behind an earlier run of its trigger. */
  again: 'inTurn' | 'together'
  plan: RunPlan
  /** When its first moment was; null: it has not begun. */
  startedAtMs: number | null
  /** The alerts that it begins with, while they wait in their lines; null: it waits for its turn. */
  leading: readonly number[] | null
  /** What of its plan was done, by the index of the step. */
  done: readonly number[]
}

export interface RunsState {
  /** In the order in which they were let through. */
  runs: readonly LiveRun[]
}

export const noRuns: RunsState = { runs: [] }

export type RunsInput =
  | { type: 'allowed'; run: Pick<LiveRun, 'id' | 'triggerId' | 'again' | 'plan'> }
  /** An alert of it has begun to be shown. */
  | { type: 'playStarted'; runId: string; index: number }
  /** An alert of it has ended; where it never was shown, with why. */
  | { type: 'playEnded'; runId: string; index: number; reason: string }
  | { type: 'stopped'; runIds: readonly string[]; reason: string }
  | { type: 'ticked' }

export type RunsCommand =
  /** Puts an alert into its box's line. The run begins when it begins. */
  | { type: 'enqueue'; runId: string; step: PlannedStep }
  /** What was set aside for it is used up. */
  | { type: 'begun'; runId: string; atMs: number }
  | { type: 'do'; runId: string; step: PlannedStep; atMs: number }
  /** Its moment passed while nobody carried it out. */
  | { type: 'missed'; runId: string; step: PlannedStep }
  /** It never began: what was set aside for it is given back. */
  | { type: 'released'; runId: string; reason: string }
  | { type: 'ended'; runId: string; end: 'ran' | 'stopped'; reason: string }
  /** Takes an alert of it out of its line, or off the screen. */
  | { type: 'withdraw'; runId: string; step: PlannedStep; reason: string }

export interface RunsResult {
  state: RunsState
  commands: RunsCommand[]
}

/** A step that is later than this is not done any more. */
export const latestMs = 2_000

/**
 * One step of the runs of a channel. Pure. A run begins with its first steps; where these are alerts in a line, with the
 * first of them that is shown, and everything else counts from there. A run that never begins is released, each that began
 * ends once. Linear in the runs and their steps.
 */
export function stepRuns({ runs }: RunsState, input: RunsInput, nowMs: number): RunsResult {
  const commands: RunsCommand[] = []
  let next = [...runs]
  switch (input.type) {
    case 'allowed':
      if (!next.some(({ id }) => id === input.run.id))
        next.push({ ...input.run, startedAtMs: null, leading: null, done: [] })
      break
    case 'playStarted':
      next = next.map((run) =>
        run.id === input.runId && run.startedAtMs === null && run.leading?.includes(input.index)
          ? begin(run, nowMs, commands)
          : run,
      )
      break
    case 'playEnded':
      next = next.flatMap((run) => (run.id === input.runId ? withoutPlay(run, input, commands) : [run]))
      break
    case 'stopped':
      next = next.filter((run) => {
        if (!input.runIds.includes(run.id)) return true
        stop(run, input.reason, commands)
        return false
      })
      break
    case 'ticked':
      break
  }
  return advance(next, nowMs, commands)
}

/** When something is to be done next; null: only when something is said. */
export function nextRunMs({ runs }: RunsState): number | null {
  const moments = runs.flatMap(({ startedAtMs, plan, done }) => {
    if (startedAtMs === null) return []
    const next = plan.steps.find(({ index }) => !done.includes(index))
    return [startedAtMs + (next ? next.atMs : plan.lengthMs)]
  })
  return moments.length === 0 ? null : Math.min(...moments)
}

/** The alerts in lines that a plan begins with. */
export const leadersOf = ({ steps }: RunPlan): PlannedStep[] =>
  steps.filter(({ atMs, step }) => atMs === 0 && step.do === 'play' && !step.isBeside)

function begin(run: LiveRun, nowMs: number, commands: RunsCommand[]): LiveRun {
  commands.push({ type: 'begun', runId: run.id, atMs: nowMs })
  return { ...run, startedAtMs: nowMs, leading: null, done: [...run.done, ...(run.leading ?? [])] }
}

/** An alert that a run waits for will not be shown. Without any it has nothing to begin with. */
function withoutPlay(
  run: LiveRun,
  { index, reason }: Extract<RunsInput, { type: 'playEnded' }>,
  commands: RunsCommand[],
): LiveRun[] {
  if (run.startedAtMs !== null || !run.leading?.includes(index)) return [run]
  const leading = run.leading.filter((each) => each !== index)
  if (leading.length > 0) return [{ ...run, leading, done: [...run.done, index] }]
  commands.push({ type: 'released', runId: run.id, reason })
  return []
}

function stop(run: LiveRun, reason: string, commands: RunsCommand[]): void {
  const shown = run.plan.steps.filter(
    ({ index, step }) => step.do === 'play' && (run.done.includes(index) || run.leading?.includes(index)),
  )
  for (const step of shown) commands.push({ type: 'withdraw', runId: run.id, step, reason })
  if (run.startedAtMs === null) commands.push({ type: 'released', runId: run.id, reason })
  else commands.push({ type: 'ended', runId: run.id, end: 'stopped', reason })
}

/** Does what is due, ends what is over, and lets begin what has its turn: until nothing changes any more. */
function advance(given: readonly LiveRun[], nowMs: number, commands: RunsCommand[]): RunsResult {
  let runs = given
  for (;;) {
    const ended = new Set<string>()
    const busy = new Set<string>()
    const next = runs.map((run) => {
      const isBehind = run.again === 'inTurn' && busy.has(run.triggerId)
      busy.add(run.triggerId)
      if (run.startedAtMs === null) return run.leading === null && !isBehind ? turn(run, nowMs, commands) : run
      const done = doDue(run, run.startedAtMs, nowMs, commands)
      if (done.done.length < run.plan.steps.length || nowMs < run.startedAtMs + run.plan.lengthMs) return done
      ended.add(run.id)
      commands.push({ type: 'ended', runId: run.id, end: 'ran', reason: '' })
      return done
    })
    const left = next.filter(({ id }) => !ended.has(id))
    const isSame = ended.size === 0 && next.every((run, at) => run === runs[at])
    runs = left
    if (isSame) return { state: { runs }, commands }
  }
}

/** A run has its turn: it begins, or waits for what it begins with. */
function turn(run: LiveRun, nowMs: number, commands: RunsCommand[]): LiveRun {
  const leaders = leadersOf(run.plan)
  if (leaders.length === 0) return begin(run, nowMs, commands)
  for (const step of leaders) commands.push({ type: 'enqueue', runId: run.id, step })
  return { ...run, leading: leaders.map(({ index }) => index) }
}

function doDue(run: LiveRun, startedAtMs: number, nowMs: number, commands: RunsCommand[]): LiveRun {
  const due = run.plan.steps.filter(({ index, atMs }) => !run.done.includes(index) && startedAtMs + atMs <= nowMs)
  if (due.length === 0) return run
  for (const step of due) {
    const dueMs = startedAtMs + step.atMs
    if (nowMs - dueMs > latestMs) commands.push({ type: 'missed', runId: run.id, step })
    else commands.push({ type: 'do', runId: run.id, step, atMs: nowMs - startedAtMs })
  }
  return { ...run, done: [...run.done, ...due.map(({ index }) => index)] }
}
