import type { Logger } from 'pino'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { markLive } from '../broadcasts/broadcasts.ts'
import type { Database } from '../db/handle.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import {
  listAsked,
  listOpenRuns,
  readBalances,
  readCounters,
  readGateStates,
  readPlaysOf,
  readUses,
  settleCalls,
  findStudio,
  type CallRecords,
  type RunRow,
} from '../db/queries/runs.ts'
import type { GateState } from '../../core/gate/state.ts'
import type { StudioState } from '../../core/studio/studio.ts'
import { ChannelStudio } from '../studio/channelStudio.ts'
import type { Clock } from '../system/clock.ts'
import { Turns } from '../../core/turns.ts'
import type { CallAct } from './callAct.ts'
import { CallLedger } from './callLedger.ts'
import { GateKeeper, type Answered } from './gateKeeper.ts'
import { dryRun } from './dryRun.ts'
import { planFor } from '../../core/triggers/planFor.ts'
import { sortLeft, type Resumed } from './resumeRuns.ts'
import { RunEnds } from './runEnds.ts'
import { SheetRunner } from './sheetRunner.ts'
import { playIdOf, Steps, type StepDoerDependencies } from './stepDoer.ts'
import type { PointsChange } from '../../contract/triggers.ts'
import type { ToStudio } from '../../contract/studioLink.ts'

export interface ChannelCallsDependencies extends Pick<
  StepDoerDependencies,
  'add' | 'takeUp' | 'skip' | 'show' | 'toSources' | 'post'
> {
  db: Database
  logger: Logger
  clock: Clock
  onAir: (channelId: string) => Promise<ChannelOnAir>
  /** When this stream began. */
  streamMs: (channelId: string) => Promise<number>
  /** Says something in the chats of a channel; with a source, only there. @returns why it could not; empty where it did */
  say: (channelId: string, text: string, source: string | null) => Promise<string>
  /** Gives back on its platform what was paid there, or says there that it was done. */
  settleRedemption: (row: RunRow, as: 'fulfilled' | 'refunded') => Promise<void>
  /** Which of what viewers typed holds a word that the channel blocks. */
  blocked: (inputs: readonly string[], channel: ChannelOnAir) => Promise<boolean[]>
  toStudio: (channelId: string, message: ToStudio) => void
  noteTrouble: (error: unknown) => boolean
  onLaneLost: () => void
  onChange: () => void
}

/** So many are decided at once. */
const askedAtOnce = 250
const againAfterMs = 1_000

/** What was known when the lane was left. */
interface Kept {
  channel: ChannelOnAir
  states: Map<string, GateState>
  counters: Map<string, number>
  kept: StudioState | null
}

/**
 * Carries out what viewers of a channel set off: asks gates, runs sheets, holds the studio, and gives back what never began. By
 * whoever has the channel's lane.
 */
export class ChannelCalls {
  private readonly studio: ChannelStudio
  private readonly ledger: CallLedger
  private readonly keeper: GateKeeper
  private readonly ends: RunEnds
  private readonly steps: Steps
  /** What is decided by how many points there are: one after another. */
  private readonly books = new Turns()
  private readonly runner: SheetRunner
  private readonly plays = new Map<string, { runId: string; index: number }>()
  private channel: ChannelOnAir
  private asking: Promise<void> | null = null
  private isWoken = false
  private isClosed = false
  private timer: ReturnType<typeof setTimeout> | undefined

  private constructor(
    readonly channelId: string,
    hold: LaneHold,
    { channel, states, counters, kept }: Kept,
    private readonly deps: ChannelCallsDependencies,
  ) {
    this.channel = channel
    const { db, logger, clock, onChange, onLaneLost } = deps
    this.ledger = new CallLedger({
      write: async (records) => {
        if (await settleCalls(db, channelId, hold, records)) return
        this.abandon()
        onLaneLost()
      },
      isPassing: deps.noteTrouble,
      onLost: (error) => logger.error({ channelId, err: error }, 'what became of a trigger could not be written'),
    })
    const keep = (records: Partial<CallRecords>) => this.ledger.add(records)
    this.studio = new ChannelStudio(kept, {
      ...{ clock, onChange },
      send: (message) => deps.toStudio(channelId, message),
      onKept: (studio) => keep({ studio }),
      onLive: (isLive) => void markLive(db, channelId, isLive, clock.wallMs()).catch(deps.noteTrouble),
      onFault: (words) => logger.warn({ channelId }, `the studio did not do something: ${words}`),
    })
    this.keeper = new GateKeeper(states, {
      ...{ db, clock, channelId, keep, studio: this.studio, blocked: deps.blocked },
      plan: (trigger, row) => planFor(trigger, row, this.channel, clock.wallMs()),
    })
    this.ends = new RunEnds({
      ...{ db, logger, clock, channelId, keep, keeper: this.keeper, settleRedemption: deps.settleRedemption },
      settled: () => this.ledger.settled(),
      triggerOf: (id) => this.channel.triggers.find((each) => each.id === id),
      letGo: (runId) => this.studio.stop([runId]),
      say: (text, source) => deps.say(channelId, text, source),
      noteTrouble: deps.noteTrouble,
    })
    const { add, takeUp, skip, show, toSources, post } = deps
    this.steps = new Steps({
      ...{ db, clock, keep, add, takeUp, skip, show, toSources, post, counters },
      channel: () => this.channel,
      studio: this.studio,
      say: (text) => deps.say(channelId, text, null),
      balanceOf: (viewerId) => this.balanceOf(viewerId),
      enter: (entry) => this.books.take(() => this.enter([entry])),
      belongs: (playId, runId, index) => void this.plays.set(playId, { runId, index }),
    })
    this.runner = new SheetRunner({
      ...{ clock, keep, onChange, doer: this.steps },
      onBegun: (row) => this.ends.begun(row),
      release: (row, reason) => this.ends.released(row, reason),
      onEnded: (row, end, faults) => this.ends.ended(row, end, faults),
    })
  }

  /** Takes up what a channel's viewers set off, where it was left. */
  static async open(channelId: string, hold: LaneHold, deps: ChannelCallsDependencies): Promise<ChannelCalls> {
    const { db } = deps
    const [channel, states, counters, studio] = await Promise.all([
      deps.onAir(channelId),
      readGateStates(db, channelId),
      readCounters(db, channelId),
      findStudio(db, channelId),
    ])
    const kept = { channel, states, counters, kept: studio?.kept ?? null }
    const calls = new ChannelCalls(channelId, hold, kept, deps)
    await calls.resume()
    calls.wake()
    return calls
  }

  /** Something was asked for. */
  wake(): void {
    this.isWoken = true
    if (this.asking || this.isClosed) return
    clearTimeout(this.timer)
    this.asking = this.askAll().finally(() => {
      this.asking = null
      if (this.isWoken) this.wake()
    })
  }

  /** Resolves when everything that was asked for so far is decided, its alerts are in their lines, and all of that is written. */
  async settled(): Promise<void> {
    while (this.asking || this.isWoken) await (this.asking ?? new Promise((resolve) => setTimeout(resolve, 2)))
    await this.steps.settled()
    await this.ledger.settled()
  }

  /** An alert has begun to be shown, or is over. */
  played(playId: string, is: 'started' | 'over', reason: string): void {
    const of = this.plays.get(playId)
    if (!of) return
    if (is === 'over') this.plays.delete(playId)
    this.runner.input(is === 'started' ? { type: 'playStarted', ...of } : { type: 'playEnded', ...of, reason })
  }

  async act(act: CallAct): Promise<unknown> {
    switch (act.do) {
      case 'studioSaid':
        return this.studio.hear(act.linkId, act.said)
      case 'order':
        return this.studio.order(act.order)
      case 'studio':
        return this.studio.view()
      case 'stopRun':
        return this.stop(act.runId, `${act.by} stopped it`)
      case 'dryRun':
        return this.dryRun(act.triggerId, act.by)
      case 'setStock':
        this.keeper.setStock(act.triggerId, act.left)
        return this.ledger.settled()
      case 'enter':
        return this.books.take(() => this.enter(act.entries))
      case 'task':
        return this.task(act)
    }
  }

  /** Nothing more is done or written here. */
  abandon(): void {
    this.isClosed = true
    clearTimeout(this.timer)
    this.ledger.abandon()
    this.runner.close()
    this.studio.close()
  }

  /** Stops the clock and waits until everything is written. */
  async close(): Promise<void> {
    this.isClosed = true
    clearTimeout(this.timer)
    this.runner.close()
    this.studio.close()
    await this.ledger.close()
  }

  private async task(act: Extract<CallAct, { do: 'task' }>): Promise<boolean> {
    const isDone = await this.ends.task(act)
    if (isDone) this.deps.onChange()
    return isDone
  }

  /** Enters changes of points. @returns false where somebody would have less than nothing: then none is entered */
  private async enter(entries: readonly PointsChange[]): Promise<boolean> {
    const { db, clock } = this.deps
    await this.ledger.settled()
    const taken = [...new Set(entries.flatMap(({ viewerId, change }) => (change < 0 ? [viewerId] : [])))]
    const left = await readBalances(db, this.channelId, taken)
    for (const { viewerId, change } of entries) left.set(viewerId, (left.get(viewerId) ?? 0) + change)
    if (taken.some((viewerId) => (left.get(viewerId) ?? 0) < 0)) return false
    this.ledger.add({ entries: entries.map((each) => ({ ...each, at: new Date(clock.wallMs()) })) })
    await this.ledger.settled()
    return true
  }

  private async balanceOf(viewerId: string): Promise<number> {
    await this.ledger.settled()
    return (await readBalances(this.deps.db, this.channelId, [viewerId])).get(viewerId) ?? 0
  }

  /** Asks gates for those who wait for an answer. Nothing of it begins before it is kept. */
  private async askSome(): Promise<Answered[]> {
    const { db, clock, onAir, streamMs } = this.deps
    // What earlier ones led to is in the balances that are read.
    await this.ledger.settled()
    const rows = await listAsked(db, this.channelId, askedAtOnce)
    if (rows.length === 0) return []
    this.channel = await onAir(this.channelId)
    const answered = await this.keeper.ask(rows, this.channel, await streamMs(this.channelId))
    const endedAt = new Date(clock.wallMs())
    this.ledger.add({
      runs: answered.flatMap(({ row, ...answer }) =>
        answer.is === 'allowed'
          ? []
          : [{ id: row.id, progress: 'over', end: 'refused', reason: answer.reason, endedAt }],
      ),
    })
    await this.ledger.settled()
    return answered
  }

  private async askAll(): Promise<void> {
    const { noteTrouble, logger, onChange } = this.deps
    while (this.isWoken && !this.isClosed) {
      this.isWoken = false
      try {
        const answered = await this.books.take(() => this.askSome())
        if (answered.length === 0 || this.isClosed) return
        for (const each of answered) {
          if (each.is === 'allowed')
            this.runner.begin(each.row, {
              ...{ id: each.row.id, triggerId: each.trigger.id, again: each.trigger.again },
              plan: each.plan,
            })
          else this.ends.refused(each.row, each.said)
        }
        onChange()
        // There may be more of them.
        this.isWoken = true
      } catch (error) {
        if (!noteTrouble(error)) logger.error({ channelId: this.channelId, err: error }, 'a gate could not be asked')
        this.timer = setTimeout(() => this.wake(), againAfterMs)
        this.timer.unref()
        return
      }
    }
  }

  /** Plays a plan against the simulated studio: it is no run that is kept, and only the studio takes part. */
  private async dryRun(triggerId: string, by: string): Promise<string | null> {
    const { onAir, clock } = this.deps
    if (!this.studio.isSimulated) return 'Only the simulated studio takes part in a dry run, and it is not linked.'
    this.channel = await onAir(this.channelId)
    const trigger = this.channel.triggers.find(({ id }) => id === triggerId)
    if (!trigger) return 'There is no such trigger any more.'
    const { row, plan } = dryRun(this.channel, this.channelId, trigger, by, clock.wallMs())
    if (!plan.ok) return plan.error
    this.runner.begin(row, { id: row.id, triggerId, again: 'together', plan: plan.value })
    return null
  }

  private stop(runId: string, reason: string): boolean {
    const isLive = this.runner.has(runId)
    if (isLive) this.runner.input({ type: 'stopped', runIds: [runId], reason })
    return isLive
  }

  /** Takes up runs that somebody had let through: those that had begun go on, those that waited wait again. */
  private async resume(): Promise<void> {
    const { db, clock } = this.deps
    const rows = await listOpenRuns(db, this.channelId)
    const viewerIds = [...new Set(rows.flatMap(({ viewerId }) => viewerId ?? []))]
    this.keeper.learn(await readUses(db, this.channelId, viewerIds))
    const { running, waiting, gone } = sortLeft(rows, this.channel, clock)
    for (const row of gone)
      if (row.startedAt === null) this.ends.released(row, 'its trigger is gone')
      else this.ends.orphaned(row)
    this.runner.resume(running)
    for (const each of waiting) await this.resumeWaiting(each)
    await this.ends.tellAgain()
  }

  /** Its alert may wait, play or be over by now. */
  private async resumeWaiting({ row, run }: Resumed): Promise<void> {
    this.runner.begin(row, run)
    const ids = run.plan.steps.map(({ index }) => playIdOf(row.id, index))
    for (const play of await readPlaysOf(this.deps.db, ids)) {
      const index = ids.indexOf(play.id)
      this.plays.set(play.id, { runId: row.id, index: run.plan.steps[index]?.index ?? index })
      if (play.startedAt || play.outcome === 'played') this.played(play.id, 'started', '')
      else if (play.outcome) this.played(play.id, 'over', play.reason)
    }
  }
}
