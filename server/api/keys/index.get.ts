import { defineEventHandler } from 'h3'
import type { KeyView } from '../../../contract/keys.ts'
import { requireMember } from '../../auth/access.ts'
import { keyView } from '../../auth/keys.ts'
import { useDatabase } from '../../db/port.ts'
import { listKeys } from '../../db/queries/keys.ts'

/** The keys of the channel: what they may do and when they were used last, never what they are. */
export default defineEventHandler(async (event): Promise<{ keys: KeyView[] }> => {
  const { channel } = await requireMember(event, 'owner')
  const { database } = await useDatabase()
  return { keys: (await listKeys(database.db, channel.id)).map(keyView) }
})
