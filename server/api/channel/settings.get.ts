import { defineEventHandler } from 'h3'
import type { ChannelSettingsView } from '../../../contract/channelSettings.ts'
import { requireMember } from '../../auth/access.ts'
import { settingsOf } from '../../channel/settings.ts'
import { useDatabase } from '../../db/port.ts'

/** What the channel is called, and by which language, clock, currency and week it goes. */
export default defineEventHandler(async (event): Promise<ChannelSettingsView> => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useDatabase()
  return settingsOf(database.db, channel.id)
})
