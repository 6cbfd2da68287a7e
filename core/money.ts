import { isCurrencyCode, minorDigits } from './minorDigits.ts'
import { err, ok, type Result } from './result.ts'
import { knownLocale } from './text/knownLocale.ts'

/** Making a format costs a hundred times what using it does. Emptied when somebody asks for ever more of them. */
const formats = new Map<string, Intl.NumberFormat>()
const formatsKept = 128

/** A whole amount is written as prices are where it is spoken of; one with a fraction with all digits of its unit. */
function formatOf(currency: string, locale: string, isWhole: boolean): Intl.NumberFormat {
  const key = `${locale}/${currency}/${isWhole}`
  const kept = formats.get(key)
  if (kept) return kept
  if (formats.size >= formatsKept) formats.clear()
  const usual = new Intl.NumberFormat(locale, { style: 'currency', currency })
  const digits = minorDigits(currency)
  const most = isWhole ? Math.min(digits, usual.resolvedOptions().maximumFractionDigits ?? digits) : digits
  const made = new Intl.NumberFormat(locale, {
    style: 'currency',
    currency,
    minimumFractionDigits: most,
    maximumFractionDigits: most,
  })
  formats.set(key, made)
  return made
}

const DECIMAL = /^(\d{1,12})(?:\.(\d{1,6}))?$/

/**
 * Reads a decimal amount without ever going through a float.
 * @param text digits with an optional point, e.g. `"12.50"`; no sign, no grouping.
 * @returns the amount in minor units; an error when it is malformed or finer than the currency's minor unit.
 */
export function parseDecimalAmount(text: string, currency: string): Result<number, string> {
  const match = DECIMAL.exec(text)
  if (!match) return err(`"${text.slice(0, 40)}" is not a decimal amount such as "12.50"`)
  const digits = minorDigits(currency)
  const fraction = match[2] ?? ''
  if (/[1-9]/.test(fraction.slice(digits))) return err(`${text} is finer than the smallest unit of ${currency}`)
  const minor = Number((match[1] ?? '') + fraction.slice(0, digits).padEnd(digits, '0'))
  return Number.isSafeInteger(minor) ? ok(minor) : err(`${text} is too large`)
}

/**
 * Shows an amount the way the locale writes it, e.g. `€12.50`; whole amounts keep their zeros where prices do. Never
 * throws: a code that is none stands behind the number, a locale that is none is English.
 */
export function formatMoney(amountMinor: number, currency: string, locale: string): string {
  const known = knownLocale(locale)
  if (!isCurrencyCode(currency)) return `${new Intl.NumberFormat(known).format(amountMinor / 100)} ${currency}`.trim()
  const unit = 10 ** minorDigits(currency)
  return formatOf(currency, known, amountMinor % unit === 0).format(amountMinor / unit)
}

/** An amount to the nearest whole unit, without its zeros: `€605`. Never throws. */
export function formatWholeMoney(amountMinor: number, currency: string, locale: string): string {
  const known = knownLocale(locale)
  if (!isCurrencyCode(currency)) return formatMoney(amountMinor, currency, locale)
  const key = `${known}/${currency}/whole`
  const format =
    formats.get(key) ?? new Intl.NumberFormat(known, { style: 'currency', currency, maximumFractionDigits: 0 })
  formats.set(key, format)
  return format.format(amountMinor / 10 ** minorDigits(currency))
}

type Rates = Readonly<Record<string, number>>

function scaled(rates: Rates, factorOf: (currency: string) => number): Record<string, number> {
  return Object.fromEntries(
    Object.entries(rates).map(([currency, rate]) => [currency, Number((rate * factorOf(currency)).toPrecision(12))]),
  )
}

/**
 * Rates of minor units as rates of whole ones, which is how people write them: a yen has no cents, a dinar has
 * thousandths.
 */
export function wholeRates(rates: Rates, own: string): Record<string, number> {
  return scaled(rates, (currency) => 10 ** (minorDigits(currency) - minorDigits(own)))
}

/** The other way round. */
export function minorRates(rates: Rates, own: string): Record<string, number> {
  return scaled(rates, (currency) => 10 ** (minorDigits(own) - minorDigits(currency)))
}

/**
 * What currencies are worth, told anew in another currency.
 * @param rates what one minor unit of each other currency is worth in minor units of `from`
 * @returns the same in minor units of `to`; nothing where it is not known what that is worth
 */
export function ratesIn(rates: Readonly<Record<string, number>>, from: string, to: string): Record<string, number> {
  if (from === to) return { ...rates }
  const worth = rates[to]
  if (!worth) return {}
  const told = Object.entries({ ...rates, [from]: 1 }).filter(([currency]) => currency !== to)
  return Object.fromEntries(told.map(([currency, rate]) => [currency, rate / worth]))
}
