import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import type { ContributionsView } from '../../../../contract/goals.ts'
import { contributionOf } from '../../../../core/goal/contribution.ts'
import { listCountedEvents } from '../../../db/queries/goals.ts'
import { withGoals } from '../../../goals/surroundings.ts'
import { canonicalOf } from '../../../ingest/decideEvents.ts'
import { problemError } from '../../../system/problemError.ts'

const query = z.object({ before: z.coerce.number().int().min(1).optional() })
const listed = 100

/** How a goal adds up: every event that it counts, or would, the newest first. */
export default defineEventHandler(async (event): Promise<ContributionsView> => {
  const { channelId, db, channel, own } = await withGoals(event, 'moderator')
  const { document } = await own()
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?before=<where to go on>.')
  const { currency, rates } = await channel()
  const rows = await listCountedEvents(db, channelId, document, asked.data.before ?? null, listed)
  const contributions = rows.flatMap(({ event: row, refundedAt }) => {
    const kept = { event: canonicalOf(row), isTest: row.isTest, isRefunded: refundedAt !== null }
    const brought = contributionOf(document, kept, { currency, rates })
    if (!brought) return []
    const { seq, kind, data, occurredAt } = row
    return [{ ...brought, seq, kind, name: data.viewer?.name ?? '', atMs: occurredAt.getTime() }]
  })
  return { contributions, nextBefore: rows.length < listed ? null : (rows.at(-1)?.event.seq ?? null) }
})
