import { isDeepStrictEqual } from 'node:util'
import { defineEventHandler } from 'h3'
import type { WhyView } from '../../../../../../contract/views.ts'
import { decide } from '../../../../../../core/decisions/decide.ts'
import { requireBox } from '../../../../../auth/access.ts'
import { findDecision } from '../../../../../db/queries/events.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { canonicalOf } from '../../../../../ingest/decideEvents.ts'
import { keptCircumstances } from '../../../../../ingest/keptCircumstances.ts'
import { problemError } from '../../../../../system/problemError.ts'
import { useChannels } from '../../../../../channel/port.ts'
import { useDatabase } from '../../../../../db/port.ts'

/**
 * Why an event got what it got in a box, as it was decided when it came, and what the box's draft would do with it now.
 */
export default defineEventHandler(async (event): Promise<WhyView> => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'desk')
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const found = await findDecision(database.db, box.channelId, box.id, pathId(event, 'eventId'))
  if (!found?.decision) throw problemError(404, 'This box decided nothing about that event.')
  const { decided: reason, why } = found.decision
  const channel = await onAir.read(box.channelId)
  const { decision: now } = decide(
    canonicalOf(found.event),
    await keptCircumstances(database.db, found.event, channel),
    box.draft,
    channel,
  )
  const isTheSame = now.reason === reason && isDeepStrictEqual(now.why, why)
  return { reason, why, draft: isTheSame ? null : { reason: now.reason, why: now.why } }
})
