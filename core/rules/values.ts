import type { Offer } from '../composition/offer.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { localMoment, type LocalMoment } from '../time/localMoment.ts'
import type { Circumstances } from './circumstances.ts'
import { saysField, weekdays } from './fields.ts'

/** What an event says of each field, by its id. A field without a value is absent: no comparison with it holds. */
export type RuleValues = Readonly<Record<string, number | string | readonly string[] | undefined>>

export interface ChannelContext {
  /** ISO 4217. */
  currency: string
  /** What one minor unit of another currency is worth in minor units of the channel's. */
  rates: Readonly<Record<string, number>>
  /** IANA name: clock and calendar of rules are the channel's. */
  timeZone: string
}

/** An amount in minor units of the channel's currency; absent where no rate is known. */
export function comparableMinor(
  amountMinor: number,
  currency: string,
  { currency: own, rates }: Pick<ChannelContext, 'currency' | 'rates'>,
): number | undefined {
  if (currency === own) return amountMinor
  const rate = rates[currency]
  return rate === undefined ? undefined : Math.round(amountMinor * rate)
}

const minuteMs = 60_000

/**
 * The values that rules compare. Pure and total: every kind has an answer. What the clock shows is only worked out when
 * it is asked for.
 * @param offer what the alert lets viewers choose: a choice that is not on offer any more is none
 */
export function ruleValuesOf(
  event: CanonicalEvent,
  channel: ChannelContext,
  { platform, previousAtMs }: Circumstances,
  offer: Offer | null,
): RuleValues {
  const { viewer, message, choice } = event.data
  const says = (field: string) => saysField(event.kind, field)
  const hasViewer = says('visit')
  const named = viewer ? 'named' : 'anonymous'
  const visit = previousAtMs === null ? 'first' : 'again'
  let shown: LocalMoment | null = null
  const local = () => (shown ??= localMoment(event.occurredAtMs, channel.timeZone))
  const circumstances = {
    kind: event.kind,
    platform,
    choice: offer?.options.some(({ id }) => id === choice) ? choice : undefined,
    message: says('message') ? message?.text : undefined,
    viewer: says('viewer') ? named : undefined,
    role: hasViewer ? (viewer?.roles ?? []) : undefined,
    visit: hasViewer && viewer ? visit : undefined,
    since:
      hasViewer && viewer && previousAtMs !== null
        ? Math.max(0, Math.floor((event.occurredAtMs - previousAtMs) / minuteMs))
        : undefined,
    get time() {
      return local().minute
    },
    get weekday() {
      return weekdays[local().weekday]
    },
    get season() {
      return local().dayOfYear
    },
    get date() {
      return local().day
    },
  }
  // Not spread: that would ask the clock.
  return Object.assign(circumstances, saidBy(event, channel))
}

function saidBy(event: CanonicalEvent, channel: ChannelContext): Record<string, number | string | undefined> {
  switch (event.kind) {
    case 'follow':
    case 'chatMessage':
      return {}
    case 'subscription':
      return { months: event.data.months, tier: String(event.data.tier) }
    case 'resubscription':
      return { months: event.data.months, tier: String(event.data.tier), streak: event.data.streakMonths }
    case 'giftBatch':
      return { count: event.data.count, tier: String(event.data.tier) }
    case 'giftRecipient':
      return { tier: String(event.data.tier) }
    case 'membership':
    case 'membershipRenewal':
      return { months: event.data.months, levelName: event.data.levelName }
    case 'tip':
    case 'paidMessage':
    case 'charityDonation':
      return { amount: comparableMinor(event.data.amountMinor, event.data.currency, channel) }
    case 'applause':
      return { points: event.data.points }
    case 'raid':
      return { party: event.data.partySize }
    case 'purchase':
      return {
        amount: comparableMinor(event.data.amountMinor, event.data.currency, channel),
        count: event.data.quantity,
        item: event.data.item,
      }
    case 'surgeStarted':
    case 'surgeLevelled':
    case 'surgeEnded':
      return { level: event.data.level, points: event.data.totalPoints }
    case 'goalStarted':
    case 'goalReached':
      return {
        amount: comparableMinor(event.data.targetMinor, event.data.currency, channel),
        goal: event.data.goalTitle,
      }
    case 'redemption':
      return { cost: event.data.reward.costPoints, reward: event.data.reward.title, input: event.data.input }
    case 'chatCommand':
      return { command: event.data.command, arguments: event.data.arguments }
  }
}
