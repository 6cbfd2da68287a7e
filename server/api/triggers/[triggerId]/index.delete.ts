import { defineEventHandler } from 'h3'
import { setTriggerAway } from '../../../db/queries/triggers.ts'
import { answerTriggers, ownTrigger, withCalls } from '../../../triggers/surroundings.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Puts a trigger away: nothing sets it off, and it can be brought back. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { session, db, changed } = around
  const { id, document } = await ownTrigger(event, session.channel)
  await setTriggerAway(db, session.channel.id, id, new Date())
  await noteDeed(session, 'changedTriggers', document.name, 'put away')
  changed()
  return answerTriggers(event, around)
})
