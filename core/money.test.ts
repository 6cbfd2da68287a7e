import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatMoney, parseDecimalAmount, minorRates, wholeRates } from './money.ts'

describe('parseDecimalAmount', () => {
  it.each([
    ['25.00', 'EUR', 2500],
    ['0.1', 'EUR', 10],
    ['19.990', 'EUR', 1999],
    ['500', 'JPY', 500],
    ['1.234', 'KWD', 1234],
  ])('reads %s %s exactly', (text, currency, minor) =>
    expect(parseDecimalAmount(text, currency)).toEqual({ ok: true, value: minor }),
  )

  it.each(['', '-1', '1,50', '1e3', '1.005', ' 1', '9999999999999', 'NaN'])('refuses %j', (text) =>
    expect(parseDecimalAmount(text, 'EUR').ok).toBe(false),
  )

  it('never goes through a float: every amount of cents survives', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000_000_000 }), (cents) => {
        const text = `${Math.floor(cents / 100)}.${String(cents % 100).padStart(2, '0')}`
        expect(parseDecimalAmount(text, 'EUR')).toEqual({ ok: true, value: cents })
      }),
    )
  })
})

describe('formatMoney', () => {
  it('writes what the locale writes', () => {
    expect(formatMoney(2500, 'EUR', 'en-IE')).toBe('€25.00')
    expect(formatMoney(2500, 'EUR', 'pt-PT').replace(/\s/g, ' ')).toBe('25,00 €')
    expect(formatMoney(500, 'JPY', 'en-IE')).toContain('500')
  })
})

describe('rates', () => {
  it('of whole units go to minor ones and back, whatever digits the currencies have', () => {
    expect(minorRates({ JPY: 0.0062, USD: 0.92, KWD: 3.01 }, 'EUR')).toEqual({ JPY: 0.62, USD: 0.92, KWD: 0.301 })
    fc.assert(
      fc.property(
        fc.constantFrom('JPY', 'USD', 'KWD', 'GBP'),
        fc.constantFrom('EUR', 'JPY', 'KWD'),
        fc.integer({ min: 1, max: 10_000_000 }),
        (code, own, micro) => {
          const rate = micro / 1_000_000
          expect(wholeRates(minorRates({ [code]: rate }, own), own)[code]).toBeCloseTo(rate, 9)
        },
      ),
    )
  })
})
