import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import { describeEvent } from '../../../../../core/events/describeEvent.ts'
import type { HappeningView } from '../../../../../contract/views.ts'
import { requireBox } from '../../../../auth/access.ts'
import { listDecisions } from '../../../../db/queries/events.ts'
import { pathId } from '../../../../http/pathId.ts'
import { canonicalOf } from '../../../../ingest/decideEvents.ts'
import { problemError } from '../../../../system/problemError.ts'
import { useDatabase } from '../../../../db/port.ts'

const query = z.object({
  before: z.coerce.number().int().min(1).optional(),
  only: z.literal('unplayed').optional(),
})
const listed = 60

/** Everything that happened, or all of it that did not play, newest first, with what this box decided about it. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'moderator')
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?before=<seq> and ?only=unplayed.')
  const { database } = await useDatabase()
  const { before = null, only } = asked.data
  const rows = await listDecisions(database.db, box.channelId, box.id, before, listed, only === 'unplayed')
  const happenings: HappeningView[] = rows.map(({ event: kept, decision }) => ({
    eventId: kept.id,
    seq: kept.seq,
    kind: kept.kind,
    ...describeEvent(canonicalOf(kept), session.channel.locale),
    occurredAtMs: kept.occurredAt.getTime(),
    receivedAtMs: kept.receivedAt.getTime(),
    isTest: kept.isTest,
    variationName: decision?.variationName ?? null,
    outcome: decision?.outcome ?? null,
    outcomeReason: decision?.reason ?? '',
    reason:
      decision?.decided ??
      'This box did not decide about it: it was a test of another box, or came before this box was made.',
  }))
  return { events: happenings }
})
