import { defineEventHandler } from 'h3'
import { setTriggerAway } from '../../../db/queries/triggers.ts'
import { answerTriggers, ownTrigger, withCalls } from '../../../triggers/surroundings.ts'

/** Brings a trigger back that was put away. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { session, db, changed } = around
  const { id } = await ownTrigger(event, session.channel)
  await setTriggerAway(db, session.channel.id, id, null)
  changed()
  return answerTriggers(event, around)
})
