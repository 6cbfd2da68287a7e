import { defineEventHandler } from 'h3'
import type { SpeechView } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { useChannels } from '../../../channel/port.ts'
import { useVoices } from '../../../speech/port.ts'

/** How the channel reads aloud, and which voices there are. */
export default defineEventHandler(async (event): Promise<SpeechView> => {
  const { channel } = await requireMember(event, 'desk')
  const { onAir } = await useChannels()
  const { speaker } = await useVoices()
  return { settings: (await onAir.read(channel.id)).speech, ...(await speaker.engines.voices()) }
})
