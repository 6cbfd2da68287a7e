import { numberFormat } from './numberFormat.ts'
import { formatMoney } from '../money.ts'
import { knownLocale } from './knownLocale.ts'
import { isCurrencyCode, minorDigits } from '../minorDigits.ts'

/** An amount in minor units with its ISO 4217 currency. */
export interface MoneyValue {
  amountMinor: number
  currency: string
}

/** What a variable stands for: text, a number, or money. */
export type TemplateValue = string | number | MoneyValue
export type TemplateValues = Readonly<Record<string, TemplateValue>>

/** A value as the locale writes it where nothing else is asked for. Never throws. */
export function plainValue(value: TemplateValue, locale: string): string {
  if (typeof value === 'string') return value
  if (typeof value === 'number') return numberFormat(locale).format(value)
  return formatMoney(value.amountMinor, value.currency, locale)
}

/** The number in a value; null for text that is none. Money counts in its major unit. */
export function numberIn(value: TemplateValue): number | null {
  if (typeof value === 'number') return value
  if (typeof value === 'object') return value.amountMinor / 10 ** unitDigits(value.currency)
  return value.trim() !== '' && Number.isFinite(Number(value)) ? Number(value) : null
}

/**
 * A value as a number style of ICU's writes it. Read: `integer`, `percent`, `::currency` (money's own), `::currency/EUR`
 * (numbers that are no money; money stays in its own currency), `::compact-short`, `::compact-long`, `::percent`, `::.00`. Text that is no number stays
 * as it is.
 */
export function styledNumber(value: TemplateValue, style: string, locale: string): string {
  const number = numberIn(value)
  if (number === null) return plainValue(value, locale)
  if (style === '')
    return typeof value === 'object' ? plainValue(value, locale) : numberFormat(locale, {}).format(number)
  const skeleton = style.replace(/^::/, '')
  if (skeleton === 'integer') return numberFormat(locale, { maximumFractionDigits: 0 }).format(number)
  if (skeleton === 'percent')
    return numberFormat(locale, { style: 'percent' }).format(style.startsWith('::') ? number / 100 : number)
  if (skeleton === 'compact-short')
    return numberFormat(locale, { notation: 'compact', compactDisplay: 'short' }).format(number)
  if (skeleton === 'compact-long')
    return numberFormat(locale, { notation: 'compact', compactDisplay: 'long' }).format(number)
  if (skeleton.startsWith('.'))
    return numberFormat(locale, {
      minimumFractionDigits: skeleton.length - 1,
      maximumFractionDigits: skeleton.length - 1,
    }).format(number)
  // An amount stays in its own currency: written with the sign of another it would be another amount.
  if (typeof value === 'object') return plainValue(value, locale)
  const currency = skeleton.split('/')[1]
  return currency === undefined
    ? numberFormat(locale, {}).format(number)
    : numberFormat(locale, { style: 'currency', currency }).format(number)
}

const unitDigits = (currency: string) => (isCurrencyCode(currency) ? minorDigits(currency) : 2)

const pluralRules = new Map<string, Intl.PluralRules>()

/** Which plural case of the locale a number falls into. */
export function pluralCase(number: number, locale: string, isOrdinal: boolean): string {
  const key = `${locale}/${isOrdinal}`
  const rules =
    pluralRules.get(key) ?? new Intl.PluralRules(knownLocale(locale), { type: isOrdinal ? 'ordinal' : 'cardinal' })
  pluralRules.set(key, rules)
  return rules.select(number)
}
