import type { Logger } from 'pino'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { RunPlan } from '../../core/sheet/planRunSheet.ts'
import type { LiveRun } from '../../core/sheet/runs.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { RunEnd } from '../../contract/triggers.ts'
import type { Database } from '../db/handle.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import {
  findEntry,
  findRun,
  listAsked,
  listOpenRuns,
  readBalances,
  readCounters,
  readGateStates,
  readPlaysOf,
  settleCalls,
  setTask,
  findStudio,
  type CallRecords,
  type RunRow,
} from '../db/queries/runs.ts'
import type { GateState } from '../../core/gate/state.ts'
import type { StudioState } from '../../core/studio/studio.ts'
import { ChannelStudio } from '../studio/channelStudio.ts'
import type { Clock } from '../system/clock.ts'
import type { CallAct } from './callAct.ts'
import { CallLedger } from './callLedger.ts'
import { GateKeeper } from './gateKeeper.ts'
import { dryRow, isDry } from './dryRun.ts'
import { planFor } from './planFor.ts'
import { SheetRunner } from './sheetRunner.ts'
import { playIdOf, Steps, type StepDoerDependencies } from './stepDoer.ts'
import type { ToStudio } from '../../contract/studioLink.ts'

export interface ChannelCallsDependencies extends Pick<
  StepDoerDependencies,
  'add' | 'skip' | 'show' | 'toSources' | 'post'
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
  readonly studio: ChannelStudio
  private readonly ledger: CallLedger
  private readonly keeper: GateKeeper
  private readonly steps: Steps
  private readonly runner: SheetRunner
  private readonly plays = new Map<string, { runId: string; index: number }>()
  private channel: ChannelOnAir
  private isAsking = false
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
      onFault: (words) => logger.warn({ channelId }, `the studio did not do something: ${words}`),
    })
    this.keeper = new GateKeeper(states, {
      ...{ db, clock, keep, studio: this.studio },
      plan: (trigger, row) => planFor(trigger, row, this.channel, clock.wallMs()),
    })
    const { add, skip, show, toSources, post } = deps
    this.steps = new Steps({
      ...{ db, clock, keep, add, skip, show, toSources, post, counters },
      channel: () => this.channel,
      studio: this.studio,
      say: (text) => deps.say(channelId, text, null),
      balanceOf: (viewerId) => this.balanceOf(viewerId),
      belongs: (playId, runId, index) => void this.plays.set(playId, { runId, index }),
    })
    this.runner = new SheetRunner({
      ...{ clock, keep, onChange, doer: this.steps },
      onBegun: (row) => this.begun(row),
      release: (row, reason) => this.release(row, reason),
      onEnded: (row, end, faults) => this.ended(row, end, faults),
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
    if (this.isAsking || this.isClosed) return
    this.isAsking = true
    clearTimeout(this.timer)
    void this.askAll().finally(() => {
      this.isAsking = false
      if (this.isWoken) this.wake()
    })
  }

  /** Resolves when everything that was asked for so far is decided, and all of that is written. */
  async settled(): Promise<void> {
    while (this.isAsking || this.isWoken) await new Promise((resolve) => setTimeout(resolve, 2))
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
      case 'wake':
        return this.wake()
      case 'studioSaid':
        return this.studio.hear(act.linkId, act.said)
      case 'order':
        return this.studio.order(act.order)
      case 'studio':
        return this.studio.view()
      case 'stopRun':
        return this.stop([act.runId], `${act.by} stopped it`)
      case 'stopAll':
        return this.stop(
          this.runner.live().map(({ id }) => id),
          `${act.by} stopped it`,
        )
      case 'dryRun':
        return this.dryRun(act.triggerId, act.by)
      case 'setStock':
        this.keeper.setStock(act.triggerId, act.left)
        return this.ledger.settled()
      case 'givePoints': {
        const { entry } = act
        if (entry.change < 0 && (await this.balanceOf(entry.viewerId)) + entry.change < 0) return false
        this.ledger.add({ entries: [{ ...entry, at: new Date(this.deps.clock.wallMs()) }] })
        await this.ledger.settled()
        return true
      }
      case 'earned':
        return this.ledger.add({
          entries: act.entries.map((each) => ({ ...each, at: new Date(this.deps.clock.wallMs()) })),
        })
      case 'task':
        return this.settleTask(act)
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

  private async balanceOf(viewerId: string): Promise<number> {
    await this.ledger.settled()
    return (await readBalances(this.deps.db, this.channelId, [viewerId])).get(viewerId) ?? 0
  }

  private async askAll(): Promise<void> {
    const { db, onAir, streamMs, noteTrouble, logger, onChange } = this.deps
    while (this.isWoken && !this.isClosed) {
      this.isWoken = false
      try {
        // What earlier ones led to is in the balances that are read.
        await this.ledger.settled()
        const rows = await listAsked(db, this.channelId, askedAtOnce)
        if (rows.length === 0) return
        this.channel = await onAir(this.channelId)
        const answered = await this.keeper.ask(rows, this.channel, await streamMs(this.channelId))
        this.ledger.add({
          runs: answered.flatMap((each) =>
            each.is === 'allowed'
              ? []
              : [
                  {
                    ...{ id: each.row.id, progress: 'over', end: 'refused', reason: each.reason },
                    endedAt: new Date(this.deps.clock.wallMs()),
                  },
                ],
          ),
        })
        // Nothing begins before it is kept.
        await this.ledger.settled()
        if (this.isClosed) return
        for (const each of answered) {
          if (each.is === 'allowed')
            this.runner.begin(each.row, {
              ...{ id: each.row.id, triggerId: each.trigger.id, again: each.trigger.again },
              plan: each.plan,
            })
          else this.refused(each.row, each.said)
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

  private refused(row: RunRow, said: string | null): void {
    if (said !== null) void this.deps.say(this.channelId, said, row.event.source)
    if (row.isPaid) this.settleRedemption(row, 'refunded')
  }

  private release(row: RunRow, reason: string): void {
    if (row.reserved) this.keeper.release(row.triggerId, row.id, row.viewerName, row.reserved)
    this.ledger.add({
      runs: [
        {
          ...{ id: row.id, progress: 'over', end: 'released', reason, reserved: null },
          endedAt: new Date(this.deps.clock.wallMs()),
        },
      ],
    })
    this.studio.stop([row.id])
    if (row.isPaid) this.settleRedemption(row, 'refunded')
  }

  private begun({ id, triggerId }: RunRow): void {
    if (isDry(id)) return
    const trigger = this.channel.triggers.find((each) => each.id === triggerId)
    if (trigger?.isDoneByHand) this.ledger.add({ runs: [{ id, task: 'waiting' }] })
  }

  private ended(row: RunRow, end: RunEnd, faults: readonly string[]): void {
    if (end === 'stopped') this.studio.stop([row.id])
    if (isDry(row.id)) return
    const trigger = this.channel.triggers.find(({ id }) => id === row.triggerId)
    if (trigger?.studioAway === 'giveBack' && faults.some(isOfStudio)) {
      this.giveBack(row).catch(this.failed)
      if (row.isPaid) this.settleRedemption(row, 'refunded')
      return
    }
    // What is done by hand is done when somebody says so.
    if (row.isPaid && !trigger?.isDoneByHand) this.settleRedemption(row, 'fulfilled')
  }

  /** What was charged for a run that had begun is given back, once. */
  private async giveBack({ id, viewerName }: RunRow): Promise<void> {
    await this.ledger.settled()
    const charged = await findEntry(this.deps.db, this.channelId, `run:${id}`)
    if (!charged) return
    const { viewerId, change } = charged
    const entry = { viewerId, name: viewerName, change: -change, why: 'given back', reference: `release:${id}` }
    this.ledger.add({ entries: [{ ...entry, at: new Date(this.deps.clock.wallMs()) }] })
  }

  private readonly failed = (error: unknown): void => {
    if (!this.deps.noteTrouble(error))
      this.deps.logger.error({ channelId: this.channelId, err: error }, 'points could not be given back')
  }

  private settleRedemption(row: RunRow, as: 'fulfilled' | 'refunded'): void {
    this.deps
      .settleRedemption(row, as)
      .catch((error: unknown) => this.deps.logger.error({ runId: row.id, err: error }, 'a platform was not told'))
  }

  private async settleTask({ runId, task }: Extract<CallAct, { do: 'task' }>): Promise<boolean> {
    const { db, onChange } = this.deps
    await this.ledger.settled()
    const row = await findRun(db, this.channelId, runId)
    if (!row || !(await setTask(db, this.channelId, runId, task))) return false
    if (task === 'refunded') await this.giveBack(row)
    if (row.isPaid) this.settleRedemption(row, task)
    onChange()
    return true
  }

  /** Plays a plan against the simulated studio: it is no run that is kept, and only the studio takes part. */
  private async dryRun(triggerId: string, by: string): Promise<string | null> {
    const { onAir, clock } = this.deps
    if (!this.studio.isSimulated) return 'Only the simulated studio takes part in a dry run, and it is not linked.'
    this.channel = await onAir(this.channelId)
    const trigger = this.channel.triggers.find(({ id }) => id === triggerId)
    if (!trigger) return 'There is no such trigger any more.'
    const row = dryRow(this.channelId, trigger, by, clock.wallMs())
    const plan = planFor(trigger, row, this.channel, clock.wallMs())
    if (!plan.ok) return plan.error
    // Nothing waits for a line in which nothing is played.
    const steps = plan.value.steps.map((each) =>
      each.step.do === 'play' ? { ...each, step: { ...each.step, isBeside: true } } : each,
    )
    this.runner.begin(row, { id: row.id, triggerId, again: 'together', plan: { ...plan.value, steps } })
    return null
  }

  private stop(runIds: readonly string[], reason: string): boolean {
    const live = new Set(this.runner.live().map(({ id }) => id))
    const known = runIds.filter((id) => live.has(id))
    if (known.length > 0) this.runner.input({ type: 'stopped', runIds: known, reason })
    return known.length > 0
  }

  /** Takes up runs that somebody had let through: those that had begun go on, those that waited wait again. */
  private async resume(): Promise<void> {
    const { db, clock } = this.deps
    const rows = await listOpenRuns(db, this.channelId)
    const resumed: { row: RunRow; run: LiveRun }[] = []
    const waiting: { row: RunRow; trigger: Trigger; plan: RunPlan }[] = []
    for (const row of rows) {
      const trigger = this.channel.triggers.find(({ id }) => id === row.triggerId)
      const plan = trigger && planFor(trigger, row, this.channel, clock.wallMs())
      if (!trigger || !plan?.ok) {
        if (row.startedAt === null) this.release(row, 'its trigger is gone')
        else
          this.ledger.add({ runs: [{ id: row.id, progress: 'over', end: 'stopped', reason: 'its trigger is gone' }] })
        continue
      }
      const run = { id: row.id, triggerId: trigger.id, again: trigger.again, plan: plan.value }
      if (row.startedAt === null) waiting.push({ row, trigger, plan: plan.value })
      else
        resumed.push({
          row,
          run: {
            ...run,
            startedAtMs: clock.steadyOf(row.startedAt.getTime()),
            leading: null,
            done: [...row.done.map(({ index }) => index), ...leadersDone(plan.value)],
          },
        })
    }
    this.runner.resume(resumed)
    for (const { row, trigger, plan } of waiting) await this.resumeWaiting(row, trigger, plan)
  }

  /** Its alert may wait, play or be over by now. */
  private async resumeWaiting(row: RunRow, trigger: Trigger, plan: RunPlan): Promise<void> {
    this.runner.begin(row, { id: row.id, triggerId: trigger.id, again: trigger.again, plan })
    const ids = plan.steps.map(({ index }) => playIdOf(row.id, index))
    for (const play of await readPlaysOf(this.deps.db, ids)) {
      const index = ids.indexOf(play.id)
      this.plays.set(play.id, { runId: row.id, index: plan.steps[index]?.index ?? index })
      if (play.startedAt || play.outcome === 'played') this.played(play.id, 'started', '')
      else if (play.outcome) this.played(play.id, 'over', play.reason)
    }
  }
}

/** The alerts that a run began with have been shown where it has begun. */
const leadersDone = ({ steps }: RunPlan): number[] =>
  steps.flatMap(({ index, atMs, step }) => (atMs === 0 && step.do === 'play' && !step.isBeside ? [index] : []))

const isOfStudio = (fault: string) => fault.includes('studio')
