import { shownAmount } from '../../core/goal/contribution.ts'
import { isDone, newlyReached } from '../../core/goal/standing.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { Turns } from '../../core/turns.ts'
import type { Database } from '../db/handle.ts'
import {
  addUpGoal,
  changeGoal,
  findGoal,
  listCorrections,
  listGoals,
  listStaleGoals,
  setGoalEnded,
  tellGoal,
  type GoalRow,
} from '../db/queries/goals.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'
import { reachedEvent, startedEvent } from './goalEvents.ts'

interface GoalKeeperDependencies {
  db: Database
  now: () => number
  onAir: (channelId: string) => Promise<ChannelOnAir>
  /** What is kept at hand of a channel is read anew. */
  forget: (channelId: string) => void
  accept: (channelId: string, incoming: IncomingEvent[]) => Promise<unknown>
  onChange: (channelId: string) => void
  onError: (error: unknown) => void
}

/**
 * Looks after the goals of channels: adds up anew what has to be, tells what begins and what is reached, ends what is over and
 * begins what comes next. Whichever process looks: what is told twice is the same event, so that it happens once.
 */
export class GoalKeeper {
  /** One look after another; of many that are asked for meanwhile one is enough. */
  private readonly looks = new Map<string, { turns: Turns; isAsked: boolean }>()

  /** What screens were told to look at, by channel. */
  private readonly shown = new Map<string, string>()

  constructor(private readonly deps: GoalKeeperDependencies) {}

  /** Something was counted, or a goal has changed. */
  wake(channelIds: Iterable<string>): void {
    for (const channelId of channelIds) void this.look(channelId)
  }

  /** Looks at a channel's goals. Resolves when what was to be done is done; what fails is tried again at the next look. */
  look(channelId: string): Promise<void> {
    const known = this.looks.get(channelId) ?? { turns: new Turns(), isAsked: false }
    this.looks.set(channelId, known)
    if (known.isAsked) return known.turns.settled()
    known.isAsked = true
    return known.turns.take(async () => {
      known.isAsked = false
      try {
        await this.lookNow(channelId)
      } catch (error) {
        this.deps.onError(error)
      }
    })
  }

  private async lookNow(channelId: string): Promise<void> {
    const { db, now, onAir, onChange } = this.deps
    const channel = await onAir(channelId)
    if (channel.goals.counted.length === 0) return
    for (const id of await listStaleGoals(db, channelId)) await addUpGoal(db, channelId, id)
    const rows = await listGoals(db, channelId, 'open')
    const corrections = await listCorrections(
      db,
      channelId,
      rows.map(({ id }) => id),
    )
    let hasEnded = false
    for (const row of rows) {
      const of = corrections.filter(({ goalId }) => goalId === row.id)
      const amount = shownAmount(row.document, row.sum, of)
      hasEnded = (await this.lookAt(row, amount, channel.currency, now())) || hasEnded
    }
    const stands = JSON.stringify(rows.map(({ id, sum, revision }) => [id, sum, revision])) + corrections.length
    if (hasEnded || this.shown.get(channelId) !== stands) onChange(channelId)
    this.shown.set(channelId, stands)
    // What comes next has begun.
    if (hasEnded) void this.look(channelId)
  }

  /** @returns whether it is over */
  private async lookAt(row: GoalRow, amount: number, currency: string, nowMs: number): Promise<boolean> {
    const { db, accept } = this.deps
    const { channelId, document } = row
    if (nowMs < document.fromMs) return false
    // What is told is kept behind it: told again after a crash in between, it is the same event.
    if (!row.isStartTold) {
      await accept(channelId, [startedEvent(document, currency)])
      await tellGoal(db, channelId, row.id, { isStartTold: true })
    }
    const { reached, told } = newlyReached(document, amount, row.told)
    if (reached.length > 0) {
      await accept(
        channelId,
        reached.map((each) => reachedEvent(document, each, currency, nowMs)),
      )
      await tellGoal(db, channelId, row.id, { told })
    }
    const isOver = isDone(document, amount, nowMs)
    if (isOver) await this.end(row, nowMs)
    return isOver
  }

  /** Puts a goal among the past ones; the one that comes next begins with this moment. */
  private async end({ channelId, id, document }: GoalRow, nowMs: number): Promise<void> {
    const { db, forget } = this.deps
    if (document.then.do === 'next') {
      const next = await findGoal(db, channelId, document.then.goalId)
      const lasts = next && (next.document.untilMs === null || next.document.untilMs > nowMs)
      if (next && lasts && next.endedAt === null && next.document.fromMs > nowMs)
        await changeGoal(db, channelId, { ...next.document, fromMs: nowMs }, next.revision)
    }
    await setGoalEnded(db, channelId, id, new Date(nowMs))
    forget(channelId)
  }
}
