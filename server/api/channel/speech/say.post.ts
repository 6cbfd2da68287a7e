import { defineEventHandler } from 'h3'
import { sayBody, type SayAnswer } from '../../../../contract/speech.ts'
import { requireMember } from '../../../auth/access.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useServices } from '../../../system/services.ts'

/** Texts as they would be heard: for the editor and for trying rules. Nothing of it is counted or kept in a log. */
export default defineEventHandler(async (event): Promise<{ said: SayAnswer[] }> => {
  const { channel } = await requireMember(event, 'moderator')
  const { sayings, settings } = await readChecked(event, sayBody, 512 * 1024)
  const { onAir, speaker } = await useServices()
  const used = settings ?? (await onAir.read(channel.id)).speech
  const said: SayAnswer[] = []
  for (const saying of sayings) {
    const { text, spoken, outcome, changes, refusal, language, voice } = await speaker.clean(saying, used, channel.locale)
    const made = refusal === null ? await speaker.speak(saying.of, spoken, voice) : null
    said.push({ text, outcome, changes, reason: refusal, language, voice, utterance: made?.ok ? made.value : null, trouble: made && !made.ok ? made.error : null })
  }
  return { said }
})
