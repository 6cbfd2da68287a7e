import { defineEventHandler } from 'h3'
import { readingBody, type ReadingView } from '../../../../contract/tips.ts'
import { sampleEvent } from '../../../../core/events/sampleEvent.ts'
import { limitReason } from '../../../../core/speech/limitReason.ts'
import { callerOf } from '../../../http/caller.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useVoices } from '../../../speech/port.ts'
import { withTipPage } from '../../../tips/surroundings.ts'

/** What the voice would make of a message, while it is typed. Nothing of it is spoken or kept. */
export default defineEventHandler(async (event): Promise<ReadingView> => {
  const { of, tips } = await withTipPage(event)
  await tips.tipLimits.count('reading', callerOf(event).address)
  const { amountMinor, name, message } = await readChecked(event, readingBody)
  const [{ speaker }, { channel, nowMs }] = await Promise.all([useVoices(), of()])
  const { speech, locale } = channel
  const viewer = name.trim() === '' ? null : { id: 'typing', name }
  const tip = { kind: 'tip' as const, data: { ...sampleEvent('tip', 'everyday', nowMs).data, viewer } }
  const limit = limitReason(tip, message, amountMinor, speech.limits, [], nowMs)
  const said = await speaker.clean({ of: 'message', written: message, emotes: [], voice: null }, speech, locale)
  const off = speech.isOn ? null : 'Nothing is read aloud at the moment.'
  return {
    refusal: off ?? limit ?? said.refusal,
    language: said.language,
    text: said.text,
    isChanged: said.outcome !== 'kept',
  }
})
