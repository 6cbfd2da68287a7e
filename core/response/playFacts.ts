import { severalCases, type Alert, type BoxDocument, type Variation } from '../composition/box.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { PlayFacts } from '../queue/facts.ts'
import { chooseVariation } from '../rules/choose.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import { ruleValuesOf } from '../rules/values.ts'
import { isVisiblePart } from '../score/parts/part.ts'
import { viewerWords } from '../speech/sayings.ts'
import { bringsOf } from './brings.ts'
import type { ChannelOnAir } from './channelOnAir.ts'
import { lengthFor, shortestFor } from './scoreFor.ts'

/** What of a channel the facts of its plays depend on. */
export type FactsChannel = Pick<ChannelOnAir, 'locale' | 'currency' | 'rates' | 'timeZone' | 'media' | 'flags'>

/** What is asked about a play when its facts are gathered. */
export interface FactsRequest {
  event: CanonicalEvent
  receivedAtMs: number
  document: BoxDocument
  alertId: string
  variation: Variation
  channel: FactsChannel
  lengthMs: number
  isTest: boolean
  /** It is one of its own, whatever waits: somebody called it. */
  isCalled?: boolean
}

/** All that a policy asks of a play. Pure. */
export function factsOf(request: FactsRequest): PlayFacts {
  const { event, document, alertId, variation, channel, lengthMs, isTest, isCalled = false } = request
  const words = viewerWords(event)
  const of = { event, receivedAtMs: request.receivedAtMs, document, channel }
  const alert = document.alerts.find(({ id }) => id === alertId)
  const isAskedFor = document.policy.some((each) => each.rule === 'approve' && each.isOn && each.isFlagged)
  return {
    kind: event.kind,
    alertId,
    variationId: variation.id,
    amount: bringsOf(event, channel),
    hasWords: words !== null,
    isFlagged: isAskedFor && words !== null && channel.flags(words.text),
    gifts: giftsOf(event),
    shortestMs: shortestFor({ ...of, variation }) ?? lengthMs,
    several: isCalled || !alert ? null : severalLengths(alert, of),
    isOnlyHeard: !variation.composition.parts.some((part) => isVisiblePart(part) && !part.isHidden),
    isTest,
  }
}

function giftsOf({ kind, data }: CanonicalEvent): PlayFacts['gifts'] {
  if (!('groupId' in data) || data.groupId === '') return null
  const isHead = kind === 'giftBatch'
  return { id: data.groupId, isHead, promised: isHead && 'count' in data ? data.count : 0 }
}

type Shown = Pick<FactsRequest, 'event' | 'receivedAtMs' | 'document' | 'channel'>

function severalLengths(alert: Alert, of: Shown): PlayFacts['several'] {
  const variation = severalCase(alert, of)
  if (!variation) return null
  const length = lengthFor({ ...of, variation })
  return length.ok ? { lengthMs: length.value, shortestMs: shortestFor({ ...of, variation }) ?? length.value } : null
}

/** The case of an alert that shows an event with others; null: it has none for it. Of several the first whose rule holds. */
export function severalCase(alert: Alert, { event, channel }: Pick<Shown, 'event' | 'channel'>): Variation | null {
  const cases = severalCases(alert)
  const [only] = cases
  if (!only) return null
  // As most are: there is nothing to ask.
  if (cases.length === 1 && only.rule === null) return only
  const values = ruleValuesOf(event, channel, plainCircumstances, alert.offer)
  return chooseVariation(cases, values, `${event.source}/${event.externalId}/${alert.id}/several`).variation
}
