import { defineEventHandler } from 'h3'
import { trialBody, type TrialShare } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { trialShares } from '../../../speech/trialShares.ts'
import { useVoices } from '../../../speech/port.ts'

/** How many of the shipped messages each level changes or stops, and rules that are being tried. */
export default defineEventHandler(async (event): Promise<{ shares: TrialShare[] }> => {
  const { channel } = await requireMember(event, 'moderator')
  const { settings } = await readChecked(event, trialBody, 256 * 1024)
  const { speaker } = await useVoices()
  return { shares: await trialShares(settings, channel.locale, speaker.languages) }
})
