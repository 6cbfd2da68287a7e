import type { Logger } from 'pino'
import type { QueuePolicy } from '../../core/queue/policy.ts'
import { isSame } from '../../core/isSame.ts'
import { quietAt } from '../../core/queue/rules/quiet.ts'
import type { Progressed, QueueCommand, QueueInput, QueueState, Quiet } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import { heardAlone } from '../../core/response/calledPlay.ts'
import { nextWakeMs } from '../../core/queue/advance.ts'
import { step } from '../../core/queue/step.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { Database } from '../db/handle.ts'
import { setAbsentSince } from '../db/queries/boxes.ts'
import { recordPlays, type LaneHold } from '../db/queries/playRecords.ts'
import { timerMs, type Clock } from '../system/clock.ts'
import { dropOldest } from '../../core/dropOldest.ts'
import { PlayLedger } from './playLedger.ts'

export interface RuntimeDependencies {
  db: Database
  logger: Logger
  clock: Clock
  /** The policy that is in force when it begins. */
  policy: QueuePolicy
  /** The minute of the day where the channel is, at a moment of the wall clock. */
  minuteAt: (wallMs: number) => number
  send: (boxId: string, sourceIds: readonly string[], message: ToSource) => void
  /** Builds what sources need to show a play as it is in the line; rejects when it cannot be built any more, or not now. */
  showPlay: (ticket: Ticket) => Promise<PlayToShow>
  /** Told of failures of the database; whether it is one that passes by itself. */
  noteTrouble: (error: unknown) => boolean
  /** Whether the lane is surely this process's. */
  isSure: () => boolean
  /** The lane is another's by now: nothing that happens here counts any more. */
  onLaneLost: (boxId: string) => void
  /** Nobody let a play be read in time. */
  onWithheld: (playId: string, reason: string) => void
  onChange: (boxId: string) => void
  onStarted: (boxId: string, waitedMs: number) => void
  /** A play has begun to be shown, or is over. */
  onPlay: (playId: string, is: 'started' | 'over', reason: string) => void
}

/** While it is in doubt whose line it is, that is looked at so often. */
const doubtLookMs = 250
/** Where the policy has hours, they are looked at so often. */
const quietLookMs = 5_000
/** So many plays are remembered as having been in the line, whatever became of them. */
const rememberedPlays = 8_000

/**
 * Runs one box's queue: feeds inputs to the pure step, carries out its commands, wakes it in time. Its times are those of
 * the steady clock. Records are written in the background; see `PlayLedger`. A record lost in a crash costs nothing: the
 * play is prepared again, and a source that has shown it says so.
 */
export class BoxRuntime {
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly ledger: PlayLedger
  private readonly known = new Set<string>()
  private isClosed = false
  private heard: Progressed[] = []
  private inForce: QueuePolicy
  /** What the channel's studio shows; null: none says. */
  private scene: string | null = null

  constructor(
    readonly boxId: string,
    /** The lane as it was taken: what is written is written for it. */
    readonly hold: LaneHold,
    private queue: QueueState,
    private readonly deps: RuntimeDependencies,
  ) {
    this.ledger = new PlayLedger({
      write: async ({ records, absentSince }) => {
        if (records.length > 0 && !(await recordPlays(deps.db, records, hold))) return deps.onLaneLost(boxId)
        // The log has it now.
        if (records.some(({ outcome }) => outcome)) deps.onChange(boxId)
        if (absentSince !== undefined) await setAbsentSince(deps.db, boxId, absentSince)
      },
      isPassing: deps.noteTrouble,
      onLost: (error) => deps.logger.error({ boxId, err: error }, 'a record could not be written'),
    })
    this.inForce = deps.policy
    for (const { ticket } of queue.line.inOrder()) this.known.add(ticket.playId)
    if (queue.current) this.known.add(queue.current.ticket.playId)
    this.planWake()
  }

  /** The policy in force. */
  get policy(): QueuePolicy {
    return this.inForce
  }

  /** Another policy is in force from now on. */
  takePolicy(policy: QueuePolicy): void {
    this.inForce = policy
    this.input({ type: 'policyChanged' })
  }

  /** The studio shows something else; null: none says what it shows. */
  takeScene(scene: string | null): void {
    if (scene === this.scene) return
    this.scene = scene
    this.input({ type: 'ticked' })
  }

  /** Has a play that waits for its turn be the next. @returns whether it does */
  moveUp(playId: string): 'done' | 'unknown' {
    const waiting = this.queue.line.find(playId)
    if (!waiting || waiting.aside || waiting.isBeside) return 'unknown'
    this.input({ type: 'movedUp', playId })
    return 'done'
  }

  /** Empties the screen at once and holds the line, or lets it go on. */
  panic(isOn: boolean, reason: string): void {
    this.input({ type: 'held', isHeld: isOn })
    if (!isOn) return
    const { current, beside } = this.queue
    for (const { ticket } of [...beside, ...(current ? [current] : [])])
      this.input({ type: 'removed', playId: ticket.playId, outcome: 'skipped', reason })
  }

  /** A play as it is in the line just now; undefined: it is not. */
  ticketOf(playId: string): Ticket | undefined {
    const { current, line, beside } = this.queue
    if (current?.ticket.playId === playId) return current.ticket
    return line.find(playId)?.ticket ?? beside.find(({ ticket }) => ticket.playId === playId)?.ticket
  }

  get state(): QueueState {
    return this.queue
  }

  input(input: QueueInput): void {
    if (this.isClosed) return
    if (input.type === 'sourceProgress') return this.hear(input)
    this.takeHeard()
    this.follow(input)
  }

  /** Hundreds of sources say within one moment how far they are: what arrived together is looked at together. */
  private hear(progressed: Progressed): void {
    if (this.heard.length === 0) setImmediate(() => this.takeHeard())
    this.heard.push(progressed)
  }

  private takeHeard(): void {
    if (this.heard.length === 0 || this.isClosed) return
    const { heard } = this
    this.heard = []
    this.follow({ type: 'sourcesProgressed', heard })
  }

  private follow(input: QueueInput): void {
    // Looked at in the moment in which something may begin.
    const isInDoubt = !this.deps.isSure()
    if (isInDoubt !== this.queue.isInDoubt) this.take({ type: 'doubted', isInDoubt })
    const quiet = this.quietNow()
    if (!isSame(quiet, this.queue.quiet)) this.take({ type: 'quieted', quiet })
    if (input.type !== 'doubted') this.take(input)
    this.planWake()
    this.deps.onChange(this.boxId)
  }

  /** Whether and why it is quiet by the policy in force. */
  private quietNow(): Quiet | null {
    const { quiets } = this.inForce
    if (quiets.length === 0) return null
    return quietAt(quiets, { minuteOfDay: this.deps.minuteAt(this.deps.clock.wallMs()), scene: this.scene })
  }

  private take(input: QueueInput): void {
    if (input.type === 'enqueued') {
      for (const { playId } of input.tickets) this.known.add(playId)
      dropOldest(this.known, rememberedPlays)
    }
    const { state, commands } = step(this.queue, input, this.deps.clock.steadyMs(), this.inForce)
    this.queue = state
    this.carryOut(commands)
  }

  /** These are or were in this line: they are not taken up again. */
  remember(playIds: readonly string[]): void {
    for (const playId of playIds) this.known.add(playId)
  }

  /** Whether a play is or was in this line. */
  knows(playId: string): boolean {
    return this.known.has(playId)
  }

  /** Carries out what a step, or taking the queue up again, asks for. */
  carryOut(commands: readonly QueueCommand[]): void {
    for (const command of commands) this.execute(command)
  }

  /** Does nothing more and writes nothing more: the lane is another's. */
  abandon(): void {
    this.isClosed = true
    clearTimeout(this.timer)
    this.ledger.abandon()
  }

  /** Stops the clock and waits until everything is written. */
  async close(): Promise<void> {
    this.isClosed = true
    clearTimeout(this.timer)
    await this.ledger.close()
  }

  /** Resolves when what was recorded so far is in the database. */
  settled(): Promise<void> {
    return this.ledger.settled()
  }

  /** The same, within a time. @returns whether it was */
  isSettledWithin(ms: number): Promise<boolean> {
    return this.ledger.isSettledWithin(ms)
  }

  private planWake(): void {
    clearTimeout(this.timer)
    const nowMs = this.deps.clock.steadyMs()
    const plannedMs = nextWakeMs(this.queue, nowMs, this.inForce)
    // Nobody says that a doubt is over which was only noticed here.
    const looksMs = [
      ...(plannedMs === null ? [] : [plannedMs]),
      ...(this.queue.isInDoubt ? [nowMs + doubtLookMs] : []),
      // Hours begin and end with a minute.
      ...(this.inForce.quiets.some(({ when }) => when.is === 'hours') ? [nowMs + quietLookMs] : []),
    ]
    const wakeMs = looksMs.length === 0 ? null : Math.min(...looksMs)
    if (wakeMs !== null && !this.isClosed)
      this.timer = setTimeout(() => this.input({ type: 'ticked' }), timerMs(wakeMs, nowMs))
  }

  private execute(command: QueueCommand): void {
    const { boxId, deps, ledger } = this
    /** A moment of the queue as it is kept. */
    const at = (steadyMs: number) => new Date(deps.clock.wallOf(steadyMs))
    switch (command.type) {
      case 'prepare':
        void this.prepare(command.ticket, command.sourceIds, 'prepare')
        return
      case 'sound':
        void this.prepare(command.ticket, command.sourceIds, 'beside')
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
        return ledger.record({ id: command.playId, lengthMs: command.lengthMs })
      case 'recordPreparing':
        return ledger.record({
          id: command.playId,
          state: 'preparing',
          ...(command.ticket.together ? { together: command.ticket.together } : {}),
        })
      case 'recordStarted': {
        const ticket = this.ticketOf(command.playId)
        if (ticket) deps.onStarted(boxId, command.atMs - ticket.enqueuedAtMs)
        deps.onPlay(command.playId, 'started', '')
        return ledger.record({ id: command.playId, state: 'playing', startedAt: at(command.atMs) })
      }
      case 'recordShown':
        return ledger.record({ id: command.playId, shownCount: 1 })
      case 'recordReturned':
        return ledger.record({ id: command.playId, state: 'waiting', startedAt: null, reason: command.reason })
      case 'recordEnded':
        deps.onPlay(command.playId, 'over', command.reason)
        return ledger.record({
          id: command.playId,
          state: 'over',
          outcome: command.outcome,
          reason: command.reason,
          outcomeAt: at(deps.clock.steadyMs()),
          shownCount: command.shownCount,
          ...(command.into === undefined ? {} : { mergedInto: command.into }),
        })
      case 'recordAbsence':
        return ledger.recordAbsence(command.sinceMs === null ? null : at(command.sinceMs))
    }
  }

  /** How many plays sound already where one begins beside them. */
  private soundingBefore(playId: string): number {
    const { beside, current } = this.queue
    const at = beside.findIndex(({ ticket }) => ticket.playId === playId)
    return Math.max(0, at) + (current?.phase === 'playing' ? 1 : 0)
  }

  private async prepare(ticket: Ticket, sourceIds: readonly string[], how: 'prepare' | 'beside'): Promise<void> {
    const { playId } = ticket
    try {
      const play = await this.deps.showPlay(ticket)
      if (how === 'beside') {
        if (this.isClosed || !this.queue.beside.some((each) => each.ticket.playId === playId)) return
        return this.deps.send(this.boxId, sourceIds, {
          type: 'beside',
          play: { ...play, score: heardAlone(play.score, this.soundingBefore(playId)) },
        })
      }
      // A voice says how long it took only when it has spoken.
      this.input({ type: 'measured', playId, lengthMs: play.score.lengthMs })
      // Skipped meanwhile, or another's: a page that is given it would let go of what it shows.
      if (this.isClosed || this.queue.current?.ticket.playId !== playId) return
      this.deps.send(this.boxId, sourceIds, { type: 'prepare', play })
    } catch (error) {
      // What cannot be read for the moment is not lost for that.
      if (this.deps.noteTrouble(error))
        return this.input({ type: 'stalled', playId, reason: 'the database does not answer' })
      this.deps.logger.error({ playId, err: error }, 'a play could not be built')
      this.input({ type: 'removed', playId, outcome: 'failed', reason: 'its version could not be read any more' })
    }
  }
}
