import { defineEventHandler } from 'h3'
import { setTriggerAway } from '../../../db/queries/triggers.ts'
import { answerTriggers, ownTrigger, withCalls } from '../../../triggers/surroundings.ts'

/** Puts a trigger away: nothing sets it off, and it can be brought back. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { session, db, changed } = around
  const { id } = await ownTrigger(event, session.channel)
  await setTriggerAway(db, session.channel.id, id, new Date())
  changed()
  return answerTriggers(event, around)
})
