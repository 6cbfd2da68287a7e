import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import currencies from 'currency-codes'
import { minorDigits } from './minorDigits.ts'
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

describe('minor units', () => {
  it('are those of ISO 4217, as a list of the standard has them', () => {
    const differ = currencies.data.filter(({ code, digits }) => minorDigits(code) !== digits)
    // Metals, funds and test codes have no unit in the standard.
    expect(differ.map(({ code }) => code).filter((code) => !/^X[A-Z]{2}$/.test(code) || code === 'XOF')).toEqual([])
  })
  it('are the same in every browser: not what prices are written with', () => {
    expect(parseDecimalAmount('1500.50', 'HUF')).toEqual({ ok: true, value: 150_050 })
    expect(parseDecimalAmount('0.01', 'IDR')).toEqual({ ok: true, value: 1 })
    expect(parseDecimalAmount('1.234', 'IQD')).toEqual({ ok: true, value: 1234 })
  })
  it('of what is no code are none', () => expect(() => minorDigits('EURO')).toThrow(RangeError))
})

describe('formatMoney', () => {
  it.each([
    [150_000, 'HUF', 'hu', '1500 Ft'],
    [150_050, 'HUF', 'hu', '1500,50 Ft'],
    [1_250_000, 'IDR', 'id', 'Rp 12.500'],
    [1234, 'KWD', 'en', 'KWD 1.234'],
    [500, 'JPY', 'en', '¥500'],
    [250, 'EUR', 'de-DE', '2,50 €'],
    [250, 'euros', 'en', '2.5 euros'],
    [250, 'EUR', 'no locale', '€2.50'],
  ])('writes %d minor units of %s in %s as %s', (amountMinor, currency, locale, text) =>
    expect(formatMoney(amountMinor, currency, locale).replace(/\s/g, ' ')).toBe(text),
  )

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
