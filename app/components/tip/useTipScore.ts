import { computed, type Ref } from 'vue'
import type { TipView } from '../../../contract/tips.ts'
import { decide } from '../../../core/decisions/decide.ts'
import type { CanonicalEvent } from '../../../core/events/schema.ts'
import { scoreFor } from '../../../core/response/scoreFor.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import { voicesOf } from '../../../core/speech/sayings.ts'
import { cleanTip, type AskedTip } from '../../../core/tip/checkTip.ts'

/**
 * The alert that a tip would play, decided and settled from what is on air by the same code as on the server; its voices have
 * not spoken, so that their lengths are estimated.
 */
export function useTipScore(view: Ref<TipView | null>, asked: Ref<AskedTip>) {
  const event = computed<CanonicalEvent | null>(() => {
    if (!view.value?.alert) return null
    const { name, message, amountMinor, currency, choice } = cleanTip(asked.value)
    return {
      ...{ kind: 'tip', source: view.value.alert.source, externalId: 'typing', occurredAtMs: Date.now() },
      data: {
        viewer: name === '' ? null : { id: 'typing', name },
        ...{ amountMinor, currency },
        ...(message === '' ? {} : { message: { text: message } }),
        ...(choice === null ? {} : { choice }),
      },
    } as CanonicalEvent
  })
  const chosen = computed(() => {
    if (!event.value || !view.value?.alert) return null
    const { locale, currency, timeZone, alert } = view.value
    const channel = { locale, currency, timeZone, rates: alert.rates }
    return decide(event.value, { platform: 'till', previousAtMs: null }, alert.document, channel).variation
  })
  const score = computed<ResolvedScore | null>(() => {
    const { alert, locale, timeZone } = view.value ?? {}
    if (!event.value || !chosen.value || !alert || !locale || !timeZone) return null
    const settled = scoreFor({
      ...{ event: event.value, receivedAtMs: event.value.occurredAtMs, document: alert.document },
      ...{ variation: chosen.value, channel: { locale, media: alert.media, timeZone } },
    })
    return settled.ok ? settled.value : null
  })
  return {
    score,
    /** Whether a voice of it would say what was written. */
    saysMessage: computed(() => {
      if (!chosen.value || !event.value || !view.value) return false
      const voices = voicesOf(chosen.value.composition, event.value, view.value.locale)
      return voices.some(({ sayings }) => sayings.some(({ of }) => of === 'message'))
    }),
  }
}
