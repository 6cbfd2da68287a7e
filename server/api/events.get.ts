import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import { requireActor } from '../auth/access.ts'
import { listEvents } from '../db/queries/events.ts'
import { problemError } from '../system/problemError.ts'
import { useDatabase } from '../db/port.ts'

const query = z.object({
  after: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
})

/** The channel's events, oldest first, with the decision on each and what became of it in each box. `after` is the `seq` of the last one seen. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireActor(event, 'read', 'moderator')
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?after=<seq>&limit=<1 to 500>.')
  const { database } = await useDatabase()
  const rows = await listEvents(database.db, channel.id, asked.data.after, asked.data.limit)
  const events = rows.map(({ channelId: _channel, occurredAt, receivedAt, decisions, ...rest }) => ({
    ...rest,
    occurredAt: occurredAt.toISOString(),
    receivedAt: receivedAt.toISOString(),
    decisions: decisions.map(({ boxId, variationName, playId, decided, why }) => ({
      boxId,
      outcome: playId === null ? 'nothing' : 'plays',
      variationName,
      playId,
      reason: decided,
      why,
    })),
    outcomes: decisions.map(({ boxId, outcome, reason, outcomeAt }) => ({
      boxId,
      outcome,
      reason,
      at: outcomeAt?.toISOString() ?? null,
    })),
  }))
  return { events, nextAfter: rows.at(-1)?.seq ?? asked.data.after }
})
