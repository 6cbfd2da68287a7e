import { defineEventHandler, setResponseStatus } from 'h3'
import { boxOfPackBody } from '../../../../contract/packs.ts'
import { requireMember } from '../../../auth/access.ts'
import { checkRoomForBox, createBoxOfPack } from '../../../boxes/createBox.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { ownPack, takeFiles } from '../../../packs/shelf.ts'

/** Makes a box of a pack; nothing is on air yet. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const pack = await ownPack(channel.id, pathId(event, 'shelfId'))
  const { name, canvas } = await readChecked(event, boxOfPackBody)
  await checkRoomForBox(channel.id)
  await takeFiles(channel.id, pack)
  setResponseStatus(event, 201)
  return { id: await createBoxOfPack(channel.id, name, pack.id, pack.manifest, canvas ?? pack.manifest.box.canvas) }
})
