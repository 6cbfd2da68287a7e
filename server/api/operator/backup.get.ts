import { defineEventHandler, getQuery } from 'h3'
import { requireOperator } from '../../auth/operator.ts'
import { chosenChannel } from '../../backup/chosenChannel.ts'
import { sendBackup } from '../../backup/sendBackup.ts'
import { useDatabase } from '../../db/port.ts'

/** A backup of a channel, for whoever runs the server: which one has to be said only where there are several. */
export default defineEventHandler(async (event) => {
  await requireOperator(event)
  const { channel } = getQuery(event)
  const { database } = await useDatabase()
  return sendBackup(
    event,
    await chosenChannel(database.db, typeof channel === 'string' ? channel : null),
    'the operator',
  )
})
