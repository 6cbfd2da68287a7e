import { defineEventHandler } from 'h3'
import { ratesBody, type RatesView } from '../../../contract/rates.ts'
import { minorRates } from '../../../core/money.ts'
import { requireMember } from '../../auth/access.ts'
import { setRates } from '../../db/queries/goals.ts'
import { readChecked } from '../../http/readChecked.ts'
import { useChannels } from '../../channel/port.ts'
import { useDatabase } from '../../db/port.ts'
import { useGoals } from '../../goals/port.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Sets what other currencies are worth; rules compare amounts by it from the next event on. */
export default defineEventHandler(async (event): Promise<RatesView> => {
  const session = await requireMember(event, 'editor')
  const { channel } = session
  const { rates } = await readChecked(event, ratesBody)
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const { goalsChanged } = await useGoals()
  await setRates(database.db, channel.id, minorRates(rates, channel.currency))
  onAir.forget(channel.id)
  await goalsChanged(channel.id)
  await noteDeed(session, 'changedRates', '', Object.keys(rates).join(', '))
  return { rates }
})
