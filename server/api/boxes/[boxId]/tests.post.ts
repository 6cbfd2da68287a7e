import { defineEventHandler, setResponseStatus } from 'h3'
import { testBody } from '../../../../contract/bodies.ts'
import { ownBox, refuseBoard, requireActor } from '../../../auth/access.ts'
import { findDecision } from '../../../db/queries/events.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { canonicalOf } from '../../../ingest/decideEvents.ts'
import { keptCircumstances } from '../../../ingest/keptCircumstances.ts'
import { madeUpTest } from '../../../ingest/testOf.ts'
import { problemError } from '../../../system/problemError.ts'
import { useChannels } from '../../../channel/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { useIngest } from '../../../ingest/port.ts'

/** A test event: plays on the box's sources as it would on air, is marked as a test and never counts. */
export default defineEventHandler(async (event) => {
  const { channel: of } = await requireActor(event, 'test', 'moderator')
  const channelId = of.id
  const box = await ownBox(channelId, pathId(event, 'boxId'))
  refuseBoard(box)
  const asked = await readChecked(event, testBody)
  const { ingest } = await useIngest()
  const { onAir } = await useChannels()
  const { database } = await useDatabase()
  const channel = await onAir.read(channelId)
  setResponseStatus(event, 202)
  if (asked.eventId !== undefined) {
    const found = await findDecision(database.db, channelId, box.id, asked.eventId)
    if (!found) throw problemError(404, 'There is no such event in this channel.')
    return ingest.sendTest(channelId, box.id, {
      event: canonicalOf(found.event),
      pretended: { circumstances: await keptCircumstances(database.db, found.event, channel), variationId: null },
    })
  }
  const document = channel.boxes.find(({ boxId }) => boxId === box.id)?.version?.document ?? null
  const test = madeUpTest(asked, document, channel, Date.now())
  if (!test) throw problemError(404, 'This case is not on air yet. Put the box on air, then test it.')
  return ingest.sendTest(channelId, box.id, test)
})
