import { defineEventHandler } from 'h3'
import { speechSettingsBody } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { setSpeech } from '../../../db/queries/people.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useServices } from '../../../system/services.ts'

/** Sets how the channel reads aloud, from the next message on. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const settings = await readChecked(event, speechSettingsBody, 256 * 1024)
  const { database, onAir, stream, wakeVoices } = await useServices()
  await setSpeech(database.db, channel.id, settings)
  onAir.forget(channel.id)
  wakeVoices(channel.id)
  stream.changed(channel.id)
  return { settings }
})
