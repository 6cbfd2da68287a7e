import { defineEventHandler } from 'h3'
import { sayBody, type SayAnswer } from '../../../../contract/speech.ts'
import { rulesInEffect } from '../../../../core/speech/settings.ts'
import { requireMember } from '../../../auth/access.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useChannels } from '../../../channel/port.ts'
import { useVoices } from '../../../speech/port.ts'

/** Texts as they would be heard: for the editor and for trying rules. Nothing of it is counted or kept in a log. */
export default defineEventHandler(async (event): Promise<{ said: SayAnswer[] }> => {
  const { channel } = await requireMember(event, 'moderator')
  const { sayings, settings } = await readChecked(event, sayBody, 512 * 1024)
  const { onAir } = await useChannels()
  const { speaker } = await useVoices()
  const used = settings ?? (await onAir.read(channel.id)).speech
  const rules = rulesInEffect(used)
  const said: SayAnswer[] = []
  for (const saying of sayings) {
    const { text, spoken, outcome, changes, refusal, language, voice } = await speaker.clean(
      saying,
      used,
      channel.locale,
    )
    const read = refusal === null ? await speaker.speakWithin(saying.of, { text, spoken, voice }, rules) : null
    said.push({
      text: read?.text ?? text,
      outcome: read && read.cut.length > 0 ? 'changed' : outcome,
      changes: [...changes, ...(read?.cut ?? [])],
      reason: refusal,
      language,
      voice,
      utterance: read?.made.ok ? read.made.value : null,
      trouble: read && !read.made.ok ? read.made.error : null,
    })
  }
  return { said }
})
