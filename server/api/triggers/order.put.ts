import { defineEventHandler } from 'h3'
import { orderBody } from '../../../contract/triggers.ts'
import { orderTriggers } from '../../db/queries/triggers.ts'
import { readChecked } from '../../http/readChecked.ts'
import { answerTriggers, withCalls } from '../../triggers/surroundings.ts'

/** Puts the triggers of the channel into an order. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { ids } = await readChecked(event, orderBody)
  await orderTriggers(around.db, around.session.channel.id, ids)
  around.changed()
  return answerTriggers(event, around)
})
