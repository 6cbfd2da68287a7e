import { defineEventHandler, setResponseStatus } from 'h3'
import { triggerBody } from '../../../contract/triggers.ts'
import { newTrigger } from '../../../core/triggers/schema.ts'
import { addTrigger } from '../../db/queries/triggers.ts'
import { readChecked } from '../../http/readChecked.ts'
import { newId } from '../../system/ids.ts'
import { checkRoomForTriggers } from '../../triggers/addTriggers.ts'
import { answerTriggers, withCalls } from '../../triggers/surroundings.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Makes a trigger: not armed, started by nothing, doing nothing yet. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { name } = await readChecked(event, triggerBody)
  const { session, db, changed } = around
  await checkRoomForTriggers(db, session.channel.id, 1)
  const id = newId('trigger')
  await addTrigger(db, session.channel.id, newTrigger(id, name))
  await noteDeed(session, 'changedTriggers', name, 'made')
  changed()
  setResponseStatus(event, 201)
  return { id, view: await answerTriggers(event, around) }
})
