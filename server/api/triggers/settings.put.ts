import { defineEventHandler } from 'h3'
import { settingsBody } from '../../../contract/triggers.ts'
import { setCallSettings } from '../../db/queries/triggers.ts'
import { readChecked } from '../../http/readChecked.ts'
import { answerTriggers, withCalls } from '../../triggers/surroundings.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Sets what all triggers share: what stands in front of commands, and the channel's own points. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  await setCallSettings(around.db, around.session.channel.id, await readChecked(event, settingsBody))
  around.changed()
  await noteDeed(around.session, 'changedTriggers', 'what they share')
  return answerTriggers(event, around)
})
