import { defineEventHandler } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { ensureGallery } from '../../packs/gallery.ts'
import { packShelf } from '../../packs/shelf.ts'
import { useServices } from '../../system/services.ts'

/** What the channel can take: the sets that ship, and the packs that it brought. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const services = await useServices()
  await ensureGallery(services)
  return packShelf(services.database.db, channel.id)
})
