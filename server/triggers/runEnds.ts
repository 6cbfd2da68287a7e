import type { Logger } from 'pino'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { RunEnd } from '../../contract/triggers.ts'
import type { Database } from '../db/handle.ts'
import {
  findEntry,
  findRun,
  listPaidOver,
  setTask,
  type CallRecords,
  type RunRecord,
  type RunRow,
} from '../db/queries/runs.ts'
import type { Clock } from '../system/clock.ts'
import type { CallAct } from './callAct.ts'
import { isDry } from './dryRun.ts'
import type { GateKeeper } from './gateKeeper.ts'

interface RunEndsDependencies {
  db: Database
  logger: Logger
  clock: Clock
  channelId: string
  keeper: GateKeeper
  keep: (records: Partial<CallRecords>) => void
  /** Resolves when what was kept so far is written. */
  settled: () => Promise<void>
  triggerOf: (id: string) => Trigger | undefined
  /** What a run holds of the studio is given back. */
  letGo: (runId: string) => void
  say: (text: string, source: string) => Promise<string>
  settleRedemption: (row: RunRow, as: 'fulfilled' | 'refunded') => Promise<void>
  noteTrouble: (error: unknown) => boolean
}

/** Platforms are told once more of what ended lately, where a process may have gone before it said so. */
const toldAgainMs = 3_600_000

/** What happens where a run ends, or never begins: what it took is used up or given back, here and on its platform. */
export class RunEnds {
  constructor(private readonly deps: RunEndsDependencies) {}

  /** The gate said no: nothing was taken, and what was paid on a platform goes back. */
  refused(row: RunRow, said: string | null): void {
    if (said !== null) void this.deps.say(said, row.event.source)
    if (row.isPaid) this.tell(row, 'refunded')
  }

  /** It never began. */
  released(row: RunRow, reason: string): void {
    if (row.reserved) this.deps.keeper.release(row.triggerId, row.id, row.viewerName, row.reserved)
    this.over({ id: row.id, end: 'released', reason, reserved: null })
    this.deps.letGo(row.id)
    if (row.isPaid) this.tell(row, 'refunded')
  }

  /** What it was to run is gone while it ran. */
  orphaned({ id }: RunRow): void {
    this.over({ id, end: 'stopped', reason: 'its trigger is gone' })
    this.deps.letGo(id)
  }

  begun({ id, triggerId }: RunRow): void {
    if (!isDry(id) && this.deps.triggerOf(triggerId)?.isDoneByHand) this.deps.keep({ runs: [{ id, task: 'waiting' }] })
  }

  ended(row: RunRow, end: RunEnd, faults: readonly string[]): void {
    if (end === 'stopped') this.deps.letGo(row.id)
    if (isDry(row.id)) return
    const trigger = this.deps.triggerOf(row.triggerId)
    if (trigger?.studioAway === 'giveBack' && faults.some((fault) => fault.includes('studio'))) {
      this.giveBack(row).catch((error: unknown) => this.failed(error, 'points could not be given back'))
      if (row.isPaid) this.tell(row, 'refunded')
      return
    }
    // What is done by hand is done when somebody says so.
    if (row.isPaid && !trigger?.isDoneByHand) this.tell(row, 'fulfilled')
  }

  /** Somebody says that something is done, or gives back what it cost. @returns false where somebody has said so before */
  async task({ runId, task }: Extract<CallAct, { do: 'task' }>): Promise<boolean> {
    const { db, channelId, settled } = this.deps
    await settled()
    const row = await findRun(db, channelId, runId)
    if (!row || !(await setTask(db, channelId, runId, task))) return false
    if (task === 'refunded') await this.giveBack(row)
    if (row.isPaid) this.tell(row, task)
    return true
  }

  /** Tells platforms once more how it stands with what was paid there lately. */
  async tellAgain(): Promise<void> {
    const { db, channelId, clock } = this.deps
    for (const row of await listPaidOver(db, channelId, new Date(clock.wallMs() - toldAgainMs))) {
      if (row.task === 'waiting') continue
      const isBack = row.end === 'refused' || row.end === 'released' || row.task === 'refunded'
      this.tell(row, isBack ? 'refunded' : 'fulfilled')
    }
  }

  private over(record: RunRecord): void {
    const { keep, clock } = this.deps
    keep({ runs: [{ ...record, progress: 'over', endedAt: new Date(clock.wallMs()) }] })
  }

  /** What was charged for a run that had begun is given back, once. */
  private async giveBack({ id, viewerName }: RunRow): Promise<void> {
    const { db, channelId, clock, keep, settled } = this.deps
    await settled()
    const charged = await findEntry(db, channelId, `run:${id}`)
    if (!charged) return
    const { viewerId, change } = charged
    const entry = { viewerId, name: viewerName, change: -change, why: 'given back', reference: `release:${id}` }
    keep({ entries: [{ ...entry, at: new Date(clock.wallMs()) }] })
  }

  private tell(row: RunRow, as: 'fulfilled' | 'refunded'): void {
    this.deps.settleRedemption(row, as).catch((error: unknown) => this.failed(error, 'a platform was not told'))
  }

  private failed(error: unknown, words: string): void {
    const { noteTrouble, logger, channelId } = this.deps
    if (!noteTrouble(error)) logger.error({ channelId, err: error }, words)
  }
}
