import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { ownPack, takeFiles } from '../../../packs/shelf.ts'

/** Puts a pack's files into the channel's library: before a box takes the pack. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  await takeFiles(channel.id, await ownPack(channel.id, pathId(event, 'shelfId')))
  setResponseStatus(event, 204)
  return null
})
