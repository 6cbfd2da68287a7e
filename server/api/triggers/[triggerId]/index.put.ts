import { defineEventHandler } from 'h3'
import { triggerChange } from '../../../../contract/triggers.ts'
import { sharedWords } from '../../../../core/triggers/schema.ts'
import { changeTrigger, listTriggers } from '../../../db/queries/triggers.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { answerTriggers, ownTrigger, withCalls } from '../../../triggers/surroundings.ts'
import { noteDeed } from '../../../channel/trail.ts'

const maxBytes = 256 * 1024

/** Changes a trigger. What it says holds from the next time that it is set off. */
export default defineEventHandler(async (event) => {
  const around = await withCalls(event, 'editor')
  const { session, db, calls, changed } = around
  const { id: channelId } = session.channel
  const before = await ownTrigger(event, session.channel)
  const { trigger, revision } = await readChecked(event, triggerChange, maxBytes)
  if (trigger.id !== before.id) throw problemError(422, 'A trigger keeps its id.')
  const others = (await listTriggers(db, channelId)).filter(({ id }) => id !== trigger.id)
  const shared = sharedWords([...others, trigger])[0]
  if (shared && trigger.isArmed)
    throw problemError(
      409,
      `“${shared.word}” is a command of ${shared.names.map((name) => `“${name}”`).join(' and ')}.`,
    )
  if (!(await changeTrigger(db, channelId, trigger, revision)))
    throw problemError(409, 'Somebody else has changed this trigger meanwhile. Look at it anew.')
  if (trigger.gate.stock !== before.document.gate.stock)
    await calls.act(channelId, { do: 'setStock', triggerId: trigger.id, left: trigger.gate.stock })
  changed()
  await noteDeed(session, 'changedTriggers', trigger.name)
  return answerTriggers(event, around)
})
