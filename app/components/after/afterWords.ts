import type { BroadcastReport } from '../../../core/broadcast/report.ts'
import { kindOf } from '../../../core/events/kinds.ts'
import { formatMoney } from '../../../core/money.ts'
import { manyOf } from '../../../core/queue/policyWords.ts'
import { listedWords } from '../../../core/text/listedWords.ts'
import type { BroadcastView } from '../../../contract/broadcasts.ts'

interface Told {
  locale: string
  currency: string
  timeZone: string
}

const kindsNamed = 4

/** When a broadcast was: `Tuesday 24 November, 22:00 – 04:00`. */
export function whenWords({ beganAtMs, endedAtMs }: BroadcastView, { locale, timeZone }: Told): string {
  const day = new Intl.DateTimeFormat(locale, { timeZone, weekday: 'long', day: 'numeric', month: 'long' })
  const clock = new Intl.DateTimeFormat('en-GB', { timeZone, timeStyle: 'short' })
  const until = endedAtMs === null ? 'now' : clock.format(endedAtMs)
  return `${day.format(beganAtMs)}, ${clock.format(beganAtMs)} – ${until}`
}

/** What happened, in two sentences. */
export function sumWords({ count, kinds, minor, gifts }: BroadcastReport, { locale, currency }: Told): string[] {
  if (count === 0) return ['Nothing happened in it yet.']
  const number = (value: number) => new Intl.NumberFormat(locale).format(value)
  const named = kinds.slice(0, kindsNamed).map(({ kind, count: many }) => {
    const name = many === 1 ? kindOf(kind).name : manyOf(kind)
    return `${number(many)} ${name.toLowerCase()}`
  })
  const rest = kinds.slice(kindsNamed).reduce((sum, each) => sum + each.count, 0)
  if (rest > 0) named.push(`${number(rest)} more`)
  const given = [
    ...(minor > 0 ? [formatMoney(minor, currency, locale)] : []),
    ...(gifts > 0 ? [`${number(gifts)} ${gifts === 1 ? 'subscription' : 'subscriptions'} for others`] : []),
  ]
  return [
    `${number(count)} ${count === 1 ? 'thing' : 'things'} happened: ${listedWords(named, 'and')}.`,
    ...(given.length > 0 ? [`Viewers gave ${listedWords(given, 'and')}.`] : []),
  ]
}

/** Subscriptions that were given away: `50 gifts`. */
export const giftWords = (gifts: number, { locale }: Pick<Told, 'locale'>): string =>
  `${new Intl.NumberFormat(locale).format(gifts)} ${gifts === 1 ? 'gift' : 'gifts'}`
