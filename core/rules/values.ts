import type { Offer } from '../composition/offer.ts'
import { kindOf } from '../events/kinds.ts'
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

function saidBy({ kind, data }: CanonicalEvent, channel: ChannelContext): Record<string, number | string | undefined> {
  const said: Record<string, number | string | undefined> = {}
  for (const { field, at } of kindOf(kind).fields) {
    if (!at) continue
    const value = valueAt(data, at)
    if (field.type === 'money')
      said[field.id] = comparableMinor(Number(value), String(valueAt(data, ['currency'])), channel)
    else said[field.id] = field.type === 'choice' && value !== undefined ? String(value) : value
  }
  return said
}

/** What stands at a place of an event's data. */
function valueAt(data: CanonicalEvent['data'], at: readonly string[]): number | string | undefined {
  let value: unknown = data
  for (const step of at) value = (value as Record<string, unknown> | undefined)?.[step]
  return value as number | string | undefined
}
