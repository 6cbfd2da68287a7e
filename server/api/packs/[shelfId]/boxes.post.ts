import { defineEventHandler, setResponseStatus } from 'h3'
import { boxOfPackBody } from '../../../../contract/packs.ts'
import { checkRoomForBox, createBoxOfPack } from '../../../boxes/createBox.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { ownPack, takeFiles } from '../../../packs/shelf.ts'
import { addTriggersOfPack, checkRoomForTriggers } from '../../../triggers/addTriggers.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Makes a box of a pack; nothing is on air yet. */
export default defineEventHandler(async (event) => {
  const { session, db, changed } = await withCalls(event, 'editor')
  const { channel } = session
  const pack = await ownPack(channel.id, pathId(event, 'shelfId'))
  const { name, canvas, withTriggers } = await readChecked(event, boxOfPackBody)
  await checkRoomForBox(channel.id)
  const { manifest } = pack
  const triggers = withTriggers ? (manifest.triggers ?? []) : []
  await checkRoomForTriggers(db, channel.id, triggers.length)
  await takeFiles(channel.id, pack)
  const id = await createBoxOfPack(channel.id, name, pack.id, manifest, canvas ?? manifest.box.canvas)
  if (triggers.length > 0) {
    // An empty box calls every alert as the pack does.
    const alerts = Object.fromEntries(manifest.box.alerts.map((alert) => [alert.id, alert.id]))
    await addTriggersOfPack(db, channel.id, { triggers }, alerts, id)
    changed()
  }
  setResponseStatus(event, 201)
  return { id }
})
