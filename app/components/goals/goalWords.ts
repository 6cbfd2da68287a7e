import { kindNames } from '../../../core/events/kindNames.ts'
import type { Goal, GoalMeasure } from '../../../core/goal/schema.ts'
import { minorDigits } from '../../../core/minorDigits.ts'

interface Words {
  locale: string
  currency: string
}

/** An amount of a goal as its bar says it: whole amounts without cents, for they are read at a glance. */
export function amountWords({ measure }: Pick<Goal, 'measure'>, amount: number, { locale, currency }: Words): string {
  if (measure.of !== 'money') return new Intl.NumberFormat(locale).format(amount)
  const digits = minorDigits(currency)
  return new Intl.NumberFormat(locale, {
    ...{ style: 'currency', currency, minimumFractionDigits: digits, maximumFractionDigits: digits },
    trailingZeroDisplay: 'stripIfInteger',
  } as Intl.NumberFormatOptions).format(amount / 10 ** digits)
}

type MoneyKind = Extract<GoalMeasure, { of: 'money' }>['kinds'][number]
const manyOf: Partial<Record<MoneyKind, string>> = {
  tip: 'tips',
  paidMessage: 'paid messages',
  charityDonation: 'donations',
  purchase: 'purchases',
}

/** What a goal counts, as it stands in a sentence. */
export function measureWords(measure: GoalMeasure): string {
  switch (measure.of) {
    case 'money':
      return measure.kinds.map((kind) => manyOf[kind] ?? kindNames[kind]).join(', ')
    case 'follows':
      return 'new followers'
    case 'subscriptions': {
      const { weights, renewals, gifts } = measure
      const more = [renewals ? 'renewals' : '', gifts ? 'gifts' : ''].filter(Boolean)
      const of = `subscriptions, ${weights[1]}, ${weights[2]} and ${weights[3]} by tier`
      return more.length > 0 ? `${of}, with ${more.join(' and ')}` : of
    }
    case 'members':
      return measure.renewals ? 'memberships, with renewals' : 'new members'
    case 'points':
      return 'points of applause'
    case 'party':
      return 'guests that raids bring'
  }
}

/** How an amount is typed: money in whole units. */
export function unitOf({ of }: GoalMeasure, currency: string): { words: string; per: number; decimals: number } {
  const decimals = of === 'money' ? minorDigits(currency) : 0
  const words = { money: currency, follows: 'followers', subscriptions: 'counted', members: 'members' }
  return { words: { ...words, points: 'points', party: 'guests' }[of], per: 10 ** decimals, decimals }
}

/** What each kind of measure begins with. */
export const newMeasures: Record<GoalMeasure['of'], GoalMeasure> = {
  money: { of: 'money', kinds: ['tip', 'paidMessage', 'charityDonation'] },
  follows: { of: 'follows' },
  subscriptions: { of: 'subscriptions', weights: { 1: 1, 2: 2, 3: 6 }, renewals: false, gifts: true },
  members: { of: 'members', renewals: false },
  points: { of: 'points' },
  party: { of: 'party' },
}

export const measureChoices: readonly { value: GoalMeasure['of']; label: string }[] = [
  { value: 'money', label: 'money' },
  { value: 'follows', label: 'new followers' },
  { value: 'subscriptions', label: 'subscriptions' },
  { value: 'members', label: 'members' },
  { value: 'points', label: 'points of applause' },
  { value: 'party', label: 'guests of raids' },
]
