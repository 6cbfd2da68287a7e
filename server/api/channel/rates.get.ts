import { defineEventHandler } from 'h3'
import type { RatesView } from '../../../contract/rates.ts'
import { wholeRates } from '../../../core/money.ts'
import { requireMember } from '../../auth/access.ts'
import { readChannel } from '../../db/queries/people.ts'
import { useDatabase } from '../../db/port.ts'

/** What other currencies are worth in the channel's. */
export default defineEventHandler(async (event): Promise<RatesView> => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useDatabase()
  return { rates: wholeRates((await readChannel(database.db, channel.id))?.rates ?? {}, channel.currency) }
})
