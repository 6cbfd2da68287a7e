import type { EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { comparableMinor, type ChannelContext } from '../rules/values.ts'
import type { Goal, GoalMeasure } from './schema.ts'

/** An event as it was kept. */
export interface KeptEvent {
  event: CanonicalEvent
  isTest: boolean
  /** What it brought was given back. */
  isRefunded: boolean
}

/** What an event is to a goal. */
export interface Contribution {
  amount: number
  /** Why it is nothing, though it is of what the goal counts: a test, given back, or money without a rate. */
  note: 'test' | 'refunded' | 'noRate' | null
}

type Rates = Pick<ChannelContext, 'currency' | 'rates'>

const nothing = (note: Contribution['note']): Contribution => ({ amount: 0, note })

/**
 * What an event brings a goal; null where the goal does not count such events, of that feed, or of that time. An event
 * belongs to the moment at which it happened, whenever it arrives; the end is not in it any more. Pure; constant cost.
 */
export function contributionOf(
  goal: Goal,
  { event, isTest, isRefunded }: KeptEvent,
  rates: Rates,
): Contribution | null {
  const { fromMs, untilMs, sources, measure } = goal
  if (event.occurredAtMs < fromMs || (untilMs !== null && event.occurredAtMs >= untilMs)) return null
  if (sources && !sources.includes(event.source)) return null
  const amount = measured(measure, event, rates)
  if (amount === null) return null
  if (isTest) return nothing('test')
  if (isRefunded) return nothing('refunded')
  return amount === undefined ? nothing('noRate') : { amount, note: null }
}

/** The kinds of events that a goal counts. */
export function kindsCounted(measure: GoalMeasure): EventKind[] {
  switch (measure.of) {
    case 'money':
      return [...measure.kinds]
    case 'follows':
      return ['follow']
    case 'subscriptions':
      return [
        'subscription',
        ...(measure.renewals ? (['resubscription'] as const) : []),
        ...(measure.gifts ? (['giftBatch', 'giftRecipient'] as const) : []),
      ]
    case 'members':
      return ['membership', ...(measure.renewals ? (['membershipRenewal'] as const) : [])]
    case 'points':
      return ['applause']
    case 'party':
      return ['raid']
  }
}

/** How much an event is by a measure; null: nothing of it. Undefined: nobody knows, for there is no rate. */
function measured(measure: GoalMeasure, event: CanonicalEvent, rates: Rates): number | null | undefined {
  if (!kindsCounted(measure).includes(event.kind)) return null
  if (measure.of === 'subscriptions') return subscribed(measure, event)
  const { data } = event
  if ('amountMinor' in data) return comparableMinor(data.amountMinor, data.currency, rates)
  if (measure.of === 'points' && 'points' in data) return data.points
  return 'partySize' in data ? data.partySize : 1
}

/**
 * Gifts are counted by their batch: those who receive them are told one by one besides, and each only counts for itself
 * where it came in no batch.
 */
function subscribed(
  { weights }: Extract<GoalMeasure, { of: 'subscriptions' }>,
  { kind, data }: CanonicalEvent,
): number | null {
  if (!('tier' in data) || (kind === 'giftRecipient' && 'groupId' in data && data.groupId !== '')) return null
  return (weights[data.tier as 1 | 2 | 3] ?? 0) * ('count' in data ? data.count : 1)
}

/**
 * By how much the sum of a goal changes where an event comes (`before` is null), or becomes another: a refund.
 * Adding these up is the same as adding up what there is.
 */
export function changeOf(goal: Goal, before: KeptEvent | null, after: KeptEvent, rates: Rates): number {
  const brought = (each: KeptEvent | null) => (each && contributionOf(goal, each, rates)?.amount) ?? 0
  return brought(after) - brought(before)
}

/** A change by hand, with its reason. */
export interface Correction {
  amount: number
}

/** Events that bring a goal the same, and how many there are of them. */
export interface LikeEvents extends KeptEvent {
  count: number
}

/** What events bring, summed up: one by one, or like ones together. Linear in what is given. */
export function sumOf(goal: Goal, events: Iterable<KeptEvent | LikeEvents>, rates: Rates): number {
  let sum = 0
  for (const each of events)
    sum += ('count' in each ? each.count : 1) * (contributionOf(goal, each, rates)?.amount ?? 0)
  return sum
}

/** The amount of a goal: what was there at the start, what events bring, and what was corrected. Never less than nothing. */
export function shownAmount(goal: Goal, sum: number, corrections: Iterable<Correction>): number {
  let amount = goal.startAmount + sum
  for (const each of corrections) amount += each.amount
  return Math.max(0, amount)
}
