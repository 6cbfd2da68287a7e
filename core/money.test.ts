import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatMoney, parseDecimalAmount } from './money.ts'

describe('parseDecimalAmount', () => {
  it.each([
    ['25.00', 'EUR', 2500],
    ['0.1', 'EUR', 10],
    ['19.990', 'EUR', 1999],
    ['500', 'JPY', 500],
    ['1.234', 'KWD', 1234],
  ])('reads %s %s exactly', (text, currency, minor) => expect(parseDecimalAmount(text, currency)).toEqual({ ok: true, value: minor }))

  it.each(['', '-1', '1,50', '1e3', '1.005', ' 1', '9999999999999', 'NaN'])('refuses %j', (text) => expect(parseDecimalAmount(text, 'EUR').ok).toBe(false))

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
