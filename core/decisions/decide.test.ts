import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import { decide } from './decide.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const channel = { locale: 'en-IE', currency: 'EUR', timeZone: 'Europe/Lisbon', rates: { USD: 0.9 } }
const alert = starterAlert('tip', canvas, { pictureId: null, soundId: null })
const [everyday] = alert.variations
const cases = everyday
  ? [
      {
        ...everyday,
        id: 'fire',
        name: 'Oven on fire',
        rule: { match: 'all' as const, of: [{ field: 'amount', is: 'atLeast' as const, value: 10_000 }] },
      },
      everyday,
    ]
  : []
const box: BoxDocument = plainBox(canvas, [{ ...alert, variations: cases }])
const tip = (amountMinor: number, currency = 'EUR') =>
  ({ ...sampleEvent('tip'), data: { viewer: null, amountMinor, currency } }) as CanonicalEvent

describe('decide', () => {
  it.each([
    [10_000, 'EUR', 'Oven on fire', '“Oven on fire” plays because the amount is at least €100.00 (it is €100.00).'],
    [9999, 'EUR', 'Everyday', '“Everyday” plays: no special case before it applies.'],
    [11_200, 'USD', 'Oven on fire', '“Oven on fire” plays because the amount is at least €100.00 (it is €100.80).'],
    // Without a rate nothing is known about how much it is.
    [90_000_000, 'JPY', 'Everyday', '“Everyday” plays: no special case before it applies.'],
  ])('compares amounts in the channel’s currency: %i %s plays %s', (amountMinor, currency, name, reason) => {
    const { decision, variation } = decide(tip(amountMinor, currency), plainCircumstances, box, channel)
    expect(decision).toMatchObject({ outcome: 'plays', variationName: name, reason })
    expect(variation?.name).toBe(name)
  })

  it('plays nothing where no variation applies, and says so', () => {
    const { decision } = decide(
      tip(5),
      plainCircumstances,
      { ...box, alerts: [{ ...alert, variations: cases.slice(0, 1) }] },
      channel,
    )
    expect(decision).toMatchObject({
      outcome: 'nothing',
      reason: expect.stringContaining('none of its variations applies'),
      why: { variations: [{ outcome: 'failed', terms: [{ said: '€0.05' }] }] },
    })
  })

  it.each([
    ['never on air', null, 'not been put on air'],
    ['no alert of that kind', { ...box, alerts: [] }, 'no alert for this kind'],
    ['switched off', { ...box, alerts: [{ ...alert, isOn: false }] }, 'switched off'],
  ])('plays nothing and says why: %s', (_case, onAir, reason) => {
    const { decision, variation } = decide(tip(500), plainCircumstances, onAir, channel)
    expect(decision).toMatchObject({ outcome: 'nothing', reason: expect.stringContaining(reason) })
    expect(variation).toBeNull()
  })
})
