import { chosenBy, type BoxDocument, type Variation } from '../composition/box.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { chooseVariation } from '../rules/choose.ts'
import type { Circumstances } from '../rules/circumstances.ts'
import { ruleValuesOf, type ChannelContext } from '../rules/values.ts'
import { askEach, sentenceOf, whyOf, type Why } from '../rules/why.ts'

/** What one box does with one event, and why. Stored with the event and shown as a sentence. */
export type Decision =
  | { outcome: 'plays'; alertId: string; variationId: string; variationName: string; reason: string; why: Why }
  | { outcome: 'nothing'; reason: string; why: Why | null }

/** The chosen variation goes along so that nobody looks it up by name again. */
export type Choice = { decision: Decision; variation: Variation | null }

/**
 * The channel whose people read the reason, in whose currency amounts are compared, and whose clock and calendar rules
 * ask.
 */
export interface DecisionChannel extends ChannelContext {
  locale: string
}

/**
 * Chooses what an event plays in a version of a box: of the alert for its kind the first variation whose rule holds, or
 * one drawn among those that share with it. Pure: live decisions, tests and "what would happen" ask the same.
 * @param onAir null when the box was never put on air.
 */
export function decide(
  event: CanonicalEvent,
  circumstances: Circumstances,
  onAir: BoxDocument | null,
  channel: DecisionChannel,
): Choice {
  const nothing = (reason: string, why: Why | null = null): Choice => ({
    decision: { outcome: 'nothing', reason, why },
    variation: null,
  })
  if (!onAir) return nothing('This box has not been put on air yet.')
  const alert = onAir.alerts.find((each) => each.kinds.includes(event.kind))
  if (!alert) return nothing('This box has no alert for this kind of event.')
  if (!alert.isOn) return nothing('The alert for this kind of event is switched off.')
  const values = ruleValuesOf(event, channel, circumstances, alert.offer)
  const variations = chosenBy(alert)
  const asked = askEach(alert, variations, values, channel)
  const { variation, draw } = chooseVariation(
    variations,
    values,
    `${event.source}/${event.externalId}/${alert.id}`,
    (_variation, index) => asked[index]?.holds === true,
  )
  const why = whyOf(alert.id, asked, variation?.id ?? null, draw)
  const reason = sentenceOf(why)
  if (!variation) return nothing(reason, why)
  return choiceOf(alert.id, variation, reason, why)
}

/** The choice of a variation that plays. */
export function choiceOf(alertId: string, variation: Variation, reason: string, why: Why): Choice {
  const { id: variationId, name: variationName } = variation
  return { decision: { outcome: 'plays', alertId, variationId, variationName, reason, why }, variation }
}
