import { shownAmount } from '../../core/goal/contribution.ts'
import { standingOf } from '../../core/goal/standing.ts'
import type { GoalsView, GoalView } from '../../contract/goals.ts'
import type { Database } from '../db/handle.ts'
import { listCorrections, listGoals, type CorrectionRow, type GoalRow } from '../db/queries/goals.ts'

function goalView(row: GoalRow, corrections: readonly CorrectionRow[], nowMs: number, timeZone: string): GoalView {
  const { document, revision, sum, endedAt } = row
  const of = corrections.filter(({ goalId }) => goalId === row.id)
  const amount = shownAmount(document, sum, of)
  return {
    ...{ goal: document, revision, amount, sum },
    standing: standingOf(document, amount, endedAt?.getTime() ?? nowMs, timeZone),
    corrections: of.map(({ id, amount: by, why, byName, at }) => ({ id, amount: by, why, byName, atMs: at.getTime() })),
    endedAtMs: endedAt?.getTime() ?? null,
  }
}

/** All goals of a channel, as they stand. */
export async function goalsView(db: Database, channelId: string, nowMs: number, timeZone: string): Promise<GoalsView> {
  const [open, past] = await Promise.all([listGoals(db, channelId, 'open'), listGoals(db, channelId, 'past')])
  const corrections = await listCorrections(
    db,
    channelId,
    [...open, ...past].map(({ id }) => id),
  )
  const view = (row: GoalRow) => goalView(row, corrections, nowMs, timeZone)
  return { goals: open.map(view), past: past.map(view) }
}
