import type { Logger } from 'pino'
import type { QueuePolicy } from '../../core/queue/policy.ts'
import type { QueueCommand, QueueInput, QueueState } from '../../core/queue/state.ts'
import { nextWakeMs } from '../../core/queue/advance.ts'
import { step } from '../../core/queue/step.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { Database } from '../db/handle.ts'
import { setAbsentSince } from '../db/queries/boxes.ts'
import { recordPlays, type PlayRecord } from '../db/queries/playRecords.ts'

export interface RuntimeDependencies {
  db: Database
  logger: Logger
  now: () => number
  policy: QueuePolicy
  send: (boxId: string, sourceIds: readonly string[], message: ToSource) => void
  /** Builds what sources need to show a play; rejects when it cannot be built any more. */
  showPlay: (playId: string) => Promise<PlayToShow>
  /** Nobody let a play be read in time. */
  onWithheld: (playId: string, reason: string) => void
  onChange: (boxId: string) => void
  onStarted: (boxId: string, waitedMs: number) => void
}

/**
 * Runs one box's queue: feeds inputs to the pure step, carries out its commands, wakes it in time. Records are written
 * in the background, in order, as many at once as have gathered meanwhile. A record lost in a crash costs nothing: the
 * play is prepared again, and a source that has shown it says so.
 */
export class BoxRuntime {
  private timer: ReturnType<typeof setTimeout> | undefined
  private writes: Promise<void> = Promise.resolve()
  private unwritten: PlayRecord[] = []
  private isClosed = false

  constructor(
    readonly boxId: string,
    private queue: QueueState,
    private readonly deps: RuntimeDependencies,
  ) {
    this.planWake()
  }

  get state(): QueueState {
    return this.queue
  }

  input(input: QueueInput): void {
    if (this.isClosed) return
    const { state, commands } = step(this.queue, input, this.deps.now(), this.deps.policy)
    this.queue = state
    this.carryOut(commands)
    this.planWake()
    this.deps.onChange(this.boxId)
  }

  /** Carries out what a step, or taking the queue up again, asks for. */
  carryOut(commands: readonly QueueCommand[]): void {
    for (const command of commands) this.execute(command)
  }

  /** Stops the clock and waits until everything is written. */
  async close(): Promise<void> {
    this.isClosed = true
    clearTimeout(this.timer)
    await this.writes
  }

  /** Resolves when what was recorded so far is in the database. */
  settled(): Promise<void> {
    return this.writes
  }

  private planWake(): void {
    clearTimeout(this.timer)
    const nowMs = this.deps.now()
    const wakeMs = nextWakeMs(this.queue, nowMs, this.deps.policy)
    if (wakeMs !== null && !this.isClosed)
      this.timer = setTimeout(() => this.input({ type: 'ticked' }), Math.max(1, wakeMs - nowMs))
  }

  private execute(command: QueueCommand): void {
    const { boxId, deps } = this
    const at = new Date(deps.now())
    switch (command.type) {
      case 'prepare':
        void this.prepare(command.playId, command.sourceIds)
        return
      case 'start':
        return deps.send(boxId, command.sourceIds, {
          type: 'start',
          playId: command.playId,
          offsetMs: command.offsetMs,
        })
      case 'stop':
        return deps.send(boxId, command.sourceIds, { type: 'stop', playId: command.playId })
      case 'withhold':
        return deps.onWithheld(command.playId, command.reason)
      case 'recordLength':
        return this.record({ id: command.playId, lengthMs: command.lengthMs })
      case 'recordPreparing':
        return this.record({ id: command.playId, state: 'preparing' })
      case 'recordStarted': {
        const ticket = this.queue.current?.ticket
        if (ticket) deps.onStarted(boxId, command.atMs - ticket.enqueuedAtMs)
        return this.record({ id: command.playId, state: 'playing', startedAt: new Date(command.atMs) })
      }
      case 'recordShown':
        return this.record({ id: command.playId, shownCount: 1 })
      case 'recordReturned':
        return this.record({ id: command.playId, state: 'waiting', startedAt: null, reason: command.reason })
      case 'recordEnded':
        return this.record({
          id: command.playId,
          state: command.outcome,
          reason: command.reason,
          endedAt: at,
          shownCount: command.shownCount,
        })
      case 'recordAbsence':
        return this.write((db) =>
          setAbsentSince(db, boxId, command.sinceMs === null ? null : new Date(command.sinceMs)),
        )
    }
  }

  private async prepare(playId: string, sourceIds: readonly string[]): Promise<void> {
    try {
      const play = await this.deps.showPlay(playId)
      // A voice says how long it took only when it has spoken.
      this.input({ type: 'measured', playId, lengthMs: play.score.lengthMs })
      this.deps.send(this.boxId, sourceIds, { type: 'prepare', play })
    } catch (error) {
      this.deps.logger.error({ playId, err: error }, 'a play could not be built')
      this.input({ type: 'removed', playId, outcome: 'failed', reason: 'its version could not be read any more' })
    }
  }

  private record(record: PlayRecord): void {
    this.unwritten.push(record)
    if (this.unwritten.length > 1) return
    this.write((db) => {
      const gathered = this.unwritten
      this.unwritten = []
      return recordPlays(db, gathered)
    })
  }

  private write(work: (db: Database) => Promise<void>): void {
    this.writes = this.writes
      .then(() => work(this.deps.db))
      .catch((error: unknown) =>
        this.deps.logger.error(
          { boxId: this.boxId, message: error instanceof Error ? error.message.slice(0, 300) : '' },
          'a record could not be written',
        ),
      )
  }
}
