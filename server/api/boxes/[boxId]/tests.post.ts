import { defineEventHandler, setResponseStatus } from 'h3'
import { testBody } from '../../../../contract/bodies.ts'
import { ownBox, requireKeyOrMember } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useServices } from '../../../system/services.ts'

/** A test event: plays on the box's sources as it would on air, is marked as a test and never counts. */
export default defineEventHandler(async (event) => {
  const { channelId } = await requireKeyOrMember(event, 'moderator')
  const box = await ownBox(channelId, pathId(event, 'boxId'))
  const { kind, viewer } = await readChecked(event, testBody)
  const { ingest } = await useServices()
  setResponseStatus(event, 202)
  return ingest.sendTest(channelId, box.id, kind, viewer ?? 'everyday')
})
