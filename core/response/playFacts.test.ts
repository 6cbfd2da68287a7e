import { describe, expect, it } from 'vitest'
import { demoBoxes } from '../../demo/scenario.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { usualCalls } from '../triggers/settings.ts'
import { usualSettings } from '../speech/settings.ts'
import { valuesIn } from '../score/valuesIn.ts'
import type { ChannelOnAir } from './channelOnAir.ts'
import { bringsOf, sampleTogether, totalOf } from './brings.ts'
import { factsOf, severalCase } from './playFacts.ts'

const document = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
const channel = {
  ...{
    locale: 'en',
    currency: 'EUR',
    rates: { GBP: 1.2 },
    timeZone: 'Europe/Lisbon',
    weekStart: 1,
    pageColours: null,
    platforms: {},
  },
  ...{ historyKinds: new Set(), boxes: [], boards: [], triggers: [], goals: { basis: 0, counted: [] } },
  media: {},
  speech: usualSettings,
  calls: usualCalls,
  flags: (words: string) => words.includes('flour bag'),
} as ChannelOnAir
const alertFor = (kind: CanonicalEvent['kind']) => document.alerts.find(({ kinds }) => kinds.includes(kind))!
const factsFor = (event: CanonicalEvent, changes: { isTest?: boolean; isCalled?: boolean } = {}, of = document) => {
  const alert = alertFor(event.kind)
  return factsOf({
    ...{ event, receivedAtMs: 0, document: of, alertId: alert.id, variation: alert.variations.at(-1)!, channel },
    ...{ lengthMs: 7000, isTest: false },
    ...changes,
  })
}

describe('what a policy is told of a play', () => {
  it('is what it brings, in the channel’s currency; of another without a rate nothing', () => {
    const tip = (currency: string) => {
      const event = sampleEvent('tip')
      return { ...event, data: { ...event.data, amountMinor: 1000, currency } } as CanonicalEvent
    }
    expect([bringsOf(tip('EUR'), channel), bringsOf(tip('GBP'), channel), bringsOf(tip('JPY'), channel)]).toEqual([
      1000,
      1200,
      null,
    ])
    expect([bringsOf(sampleEvent('giftBatch'), channel), bringsOf(sampleEvent('follow'), channel)]).toEqual([5, null])
  })
  it('is whether its alert has a case for several, and how short it may be', () => {
    const follow = factsFor(sampleEvent('follow'))
    expect(follow.several?.lengthMs).toBe(7000)
    expect(follow.shortestMs).toBeLessThan(7000)
    expect(factsFor(sampleEvent('raid')).several).toBeNull()
    expect(factsFor(sampleEvent('follow'), { isCalled: true }).several).toBeNull()
  })
  it('is whether somebody wrote something, and what the speech desk says of it where the policy asks', () => {
    const says = (text: string) => {
      const event = sampleEvent('tip')
      return { ...event, data: { ...event.data, message: { text } } } as CanonicalEvent
    }
    const asking = {
      ...document,
      policy: [{ rule: 'approve' as const, isOn: true, kinds: [], isFlagged: true, withinMs: 60_000 }],
    }
    expect(factsFor(says('a flour bag'))).toMatchObject({ hasWords: true, isFlagged: false })
    expect(factsFor(says('a flour bag'), {}, asking).isFlagged).toBe(true)
    expect(factsFor(says('good bread'), {}, asking).isFlagged).toBe(false)
  })
  it('is to which gifts it belongs', () => {
    expect(factsFor(sampleEvent('giftBatch')).gifts).toEqual({ id: 'sample', isHead: true, promised: 5 })
  })
})

describe('what a case for several says', () => {
  const words = (kind: 'follow' | 'giftBatch' | 'tip') => {
    const event = sampleEvent(kind)
    const together = sampleTogether(event, channel, 'everyday')
    const variation = severalCase(alertFor(kind), { event, channel })!
    return valuesIn(variation.composition, { ...event, together })
  }
  it('is how many others there are, and what they bring together', () => {
    expect(words('follow')).toMatchObject({ name: 'pip_rye', others: 11, count: 12 })
    expect(words('tip')).toMatchObject({ others: 11, count: 12, total: { amountMinor: 30_000, currency: 'EUR' } })
    // Gifts are counted, not those who give them.
    expect(words('giftBatch')).toMatchObject({ others: 11, count: 60, total: 60 })
  })
  it('is the same for one that is alone', () => {
    const event = sampleEvent('tip')
    expect(valuesIn({ parts: [] }, event)).toMatchObject({ others: 0, count: 1, total: { amountMinor: 2500 } })
    expect(totalOf(event, null, 'EUR')).toBeNull()
  })
})
