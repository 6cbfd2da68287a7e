import { defineEventHandler } from 'h3'
import { speechSettingsBody } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { setSpeech } from '../../../db/queries/people.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useChannels } from '../../../channel/port.ts'
import { useScreens } from '../../../live/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { useVoices } from '../../../speech/port.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Sets how the channel reads aloud, from the next message on. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'editor')
  const { channel } = session
  const settings = await readChecked(event, speechSettingsBody, 256 * 1024)
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const { stream } = await useScreens()
  const { wakeVoices } = await useVoices()
  await setSpeech(database.db, channel.id, settings)
  onAir.forget(channel.id)
  wakeVoices(channel.id)
  stream.changed(channel.id)
  await noteDeed(session, 'changedSpeech')
  return { settings }
})
