import {
  nextRunMs,
  noRuns,
  stepRuns,
  type LiveRun,
  type RunsCommand,
  type RunsInput,
  type RunsState,
} from '../../core/sheet/runs.ts'
import type { PlannedStep } from '../../core/sheet/planRunSheet.ts'
import type { DoneStep, RunEnd } from '../../contract/triggers.ts'
import type { CallRecords, RunRow } from '../db/queries/runs.ts'
import { timerMs, type Clock } from '../system/clock.ts'

/** Carries out what a sheet says. */
export interface StepDoer {
  /** Puts an alert into its line. @throws where it cannot be */
  enqueue: (row: RunRow, step: PlannedStep) => Promise<void>
  /** Does a step. @returns why it could not be done; empty where it was */
  do: (row: RunRow, step: PlannedStep) => Promise<string>
  /** Takes an alert back. */
  withdraw: (row: RunRow, step: PlannedStep, reason: string) => void
}

interface SheetRunnerDependencies {
  clock: Clock
  doer: StepDoer
  keep: (records: Partial<CallRecords>) => void
  onBegun: (row: RunRow) => void
  /** It never began: what was set aside is given back. */
  release: (row: RunRow, reason: string) => void
  onEnded: (row: RunRow, end: RunEnd, faults: readonly string[]) => void
  onChange: () => void
}

interface Running {
  row: RunRow
  done: DoneStep[]
}

/** Runs the sheets of a channel: feeds inputs to the pure step, carries out its commands, wakes it in time. */
export class SheetRunner {
  private state: RunsState = noRuns
  private readonly running = new Map<string, Running>()
  private timer: ReturnType<typeof setTimeout> | undefined
  private isClosed = false

  constructor(private readonly deps: SheetRunnerDependencies) {}

  /** Begins what was let through, when it has its turn. */
  begin(row: RunRow, run: Pick<LiveRun, 'id' | 'triggerId' | 'again' | 'plan'>): void {
    this.running.set(row.id, { row, done: [...row.done] })
    this.input({ type: 'allowed', run })
  }

  /** Takes up what another process, or this one before, had begun. */
  resume(rows: readonly { row: RunRow; run: LiveRun }[]): void {
    for (const { row } of rows) this.running.set(row.id, { row, done: [...row.done] })
    this.state = { runs: [...this.state.runs, ...rows.map(({ run }) => run)] }
    this.input({ type: 'ticked' })
  }

  /** Whether a run goes on, or waits for its turn. */
  has(runId: string): boolean {
    return this.running.has(runId)
  }

  input(input: RunsInput): void {
    if (this.isClosed) return
    const { state, commands } = stepRuns(this.state, input, this.deps.clock.steadyMs())
    this.state = state
    for (const command of commands) this.execute(command)
    this.plan()
    if (commands.length > 0) this.deps.onChange()
  }

  close(): void {
    this.isClosed = true
    clearTimeout(this.timer)
  }

  private plan(): void {
    clearTimeout(this.timer)
    const nextMs = nextRunMs(this.state)
    if (nextMs === null || this.isClosed) return
    this.timer = setTimeout(() => this.input({ type: 'ticked' }), timerMs(nextMs, this.deps.clock.steadyMs()))
  }

  private execute(command: RunsCommand): void {
    const { clock, doer, keep, release, onBegun, onEnded } = this.deps
    const known = this.running.get(command.runId)
    if (!known) return
    const { row } = known
    switch (command.type) {
      case 'enqueue':
        return void doer.enqueue(row, command.step).catch((error: unknown) =>
          this.input({
            type: 'playEnded',
            runId: row.id,
            index: command.step.index,
            reason: error instanceof Error ? error.message : 'its alert could not be played',
          }),
        )
      case 'begun':
        row.startedAt = new Date(clock.wallOf(command.atMs))
        // Settled: from here on nothing is given back.
        keep({ runs: [{ id: row.id, progress: 'running', startedAt: row.startedAt, reserved: null }] })
        return onBegun(row)
      case 'do':
        return void this.do(known, command.step, command.atMs)
      case 'missed':
        return this.note(known, { index: command.step.index, atMs: command.step.atMs, fault: 'its moment had passed' })
      case 'released':
        this.running.delete(row.id)
        return release(row, command.reason)
      case 'withdraw':
        return doer.withdraw(row, command.step, command.reason)
      case 'ended':
        this.running.delete(row.id)
        keep({
          runs: [
            {
              ...{ id: row.id, progress: 'over', end: command.end, reason: command.reason, done: known.done },
              endedAt: new Date(clock.wallMs()),
              reserved: null,
            },
          ],
        })
        return onEnded(
          row,
          command.end,
          known.done.flatMap(({ fault }) => (fault ? [fault] : [])),
        )
    }
  }

  private async do(known: Running, step: PlannedStep, atMs: number): Promise<void> {
    // Noted before it is done: a process that dies in between leaves it out rather than doing it twice.
    const done: DoneStep = { index: step.index, atMs, fault: '' }
    this.note(known, done)
    const fault = await this.deps.doer
      .do(known.row, step)
      .catch((error: unknown) => (error instanceof Error ? error.message : 'it failed'))
    if (fault === '') return
    done.fault = fault
    this.deps.keep({ runs: [{ id: known.row.id, done: [...known.done] }] })
    this.deps.onChange()
  }

  private note(known: Running, done: DoneStep): void {
    known.done.push(done)
    this.deps.keep({ runs: [{ id: known.row.id, done: [...known.done] }] })
  }
}
