import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { ownPack, takeOffShelf } from '../../../packs/shelf.ts'

/** Takes a pack off the shelf. Boxes that have it keep it there. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  await takeOffShelf(channel.id, await ownPack(channel.id, pathId(event, 'shelfId')))
  setResponseStatus(event, 204)
  return null
})
