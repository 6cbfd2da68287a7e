import { defineEventHandler } from 'h3'
import { voicesOnBody } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { setSpeech } from '../../../db/queries/people.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useLines } from '../../../queue/port.ts'
import { useChannels } from '../../../channel/port.ts'
import { useScreens } from '../../../live/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { useVoices } from '../../../speech/port.ts'

/**
 * Switches all voices of the channel off or on: what is being read goes silent, what waits is not read. For whoever
 * minds the desk.
 */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'desk')
  const { channel, person } = session
  const { isOn } = await readChecked(event, voicesOnBody)
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const { lines } = await useLines()
  const { stream } = await useScreens()
  const { wakeVoices } = await useVoices()
  const { speech, boxes } = await onAir.read(channel.id)
  await setSpeech(database.db, channel.id, { ...speech, isOn })
  onAir.forget(channel.id)
  wakeVoices(channel.id)
  for (const { boxId } of boxes) await lines.act(boxId, { do: 'switchVoices', isOn, by: person.name })
  stream.changed(channel.id)
  await noteAct(session, null, isOn ? 'voicesOn' : 'voicesOff')
  return { isOn }
})
