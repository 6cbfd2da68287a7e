import { defineEventHandler } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { useDatabase } from '../../db/port.ts'
import { ensureGallery } from '../../packs/gallery.ts'
import { packShelf } from '../../packs/shelf.ts'

/** What the channel can take: the sets that ship, and the packs that it brought. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  await ensureGallery()
  const { database } = await useDatabase()
  return packShelf(database.db, channel.id)
})
