import { defineEventHandler } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { boxSummaries } from '../../boxes/boxViews.ts'
import { useServices } from '../../system/services.ts'

export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useServices()
  return { boxes: await boxSummaries(database.db, channel.id) }
})
