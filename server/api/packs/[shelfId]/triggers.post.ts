import { defineEventHandler, setResponseStatus } from 'h3'
import { triggersOfPackBody } from '../../../../contract/packs.ts'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { ownPack } from '../../../packs/shelf.ts'
import { addTriggersOfPack } from '../../../triggers/addTriggers.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Gives the channel the triggers of a pack that one of its boxes has taken: unarmed and without a price. */
export default defineEventHandler(async (event) => {
  const { session, db, changed } = await withCalls(event, 'editor')
  const pack = await ownPack(session.channel.id, pathId(event, 'shelfId'))
  const { boxId, alerts } = await readChecked(event, triggersOfPackBody)
  refuseBoard((await requireBox(event, boxId, 'editor')).box)
  const ids = await addTriggersOfPack(db, session.channel.id, pack.manifest, alerts, boxId)
  changed()
  setResponseStatus(event, 201)
  return { ids }
})
