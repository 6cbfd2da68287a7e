import type { CanonicalEvent } from '../events/schema.ts'

/** What an event says of each field, by its id. A field without a value is absent: no comparison with it holds. */
export type RuleValues = Readonly<Record<string, number | string | undefined>>

export interface MoneyContext {
  /** ISO 4217. */
  currency: string
  /** What one minor unit of another currency is worth in minor units of the channel's. */
  rates: Readonly<Record<string, number>>
}

/** An amount in minor units of the channel's currency; absent where no rate is known. */
export function comparableMinor(amountMinor: number, currency: string, { currency: own, rates }: MoneyContext): number | undefined {
  if (currency === own) return amountMinor
  const rate = rates[currency]
  return rate === undefined ? undefined : Math.round(amountMinor * rate)
}

/** The values that rules compare. Pure and total: every kind has an answer. */
export function ruleValuesOf(event: CanonicalEvent, money: MoneyContext): RuleValues {
  const common = { viewer: event.data.viewer ? 'named' : 'anonymous', message: event.data.message?.text }
  const amountOf = (data: { amountMinor: number; currency: string }) => comparableMinor(data.amountMinor, data.currency, money)
  switch (event.kind) {
    case 'follow':
      return common
    case 'subscription':
      return { ...common, months: event.data.months, tier: String(event.data.tier) }
    case 'resubscription':
      return { ...common, months: event.data.months, tier: String(event.data.tier), streak: event.data.streakMonths }
    case 'giftBatch':
      return { ...common, count: event.data.count, tier: String(event.data.tier) }
    case 'giftRecipient':
      return { ...common, tier: String(event.data.tier) }
    case 'membership':
    case 'membershipRenewal':
      return { ...common, months: event.data.months, level: event.data.levelName }
    case 'tip':
    case 'paidMessage':
    case 'charityDonation':
      return { ...common, amount: amountOf(event.data) }
    case 'applause':
      return { ...common, points: event.data.points }
    case 'raid':
      return { ...common, party: event.data.partySize }
    case 'purchase':
      return { ...common, amount: amountOf(event.data), count: event.data.quantity, item: event.data.item }
    case 'surgeStarted':
    case 'surgeLevelled':
    case 'surgeEnded':
      return { ...common, level: event.data.level, points: event.data.totalPoints }
    case 'goalStarted':
    case 'goalReached':
      return { ...common, amount: comparableMinor(event.data.targetMinor, event.data.currency, money), goal: event.data.goalTitle }
    case 'redemption':
      return { ...common, cost: event.data.reward.costPoints, reward: event.data.reward.title, input: event.data.input }
    case 'chatCommand':
      return { ...common, command: event.data.command, arguments: event.data.arguments }
  }
}
