import { defineEventHandler } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { ownPack, packView } from '../../../packs/shelf.ts'
import { useDatabase } from '../../../db/port.ts'

/** All of a pack: its design, its dials, its files. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useDatabase()
  return packView(database.db, await ownPack(channel.id, pathId(event, 'shelfId')))
})
