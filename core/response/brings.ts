import type { SampleName } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { ShownTogether } from '../events/together.ts'
import type { Together } from '../queue/ticket.ts'
import { comparableMinor, type ChannelContext } from '../rules/values.ts'
import type { TemplateValue } from '../text/templateValue.ts'

/**
 * What an event brings that adds up with what others of its kind bring: money in minor units of the channel's currency,
 * gifts, points, guests. Null where it brings nothing of that sort, or money that has no rate.
 */
export function bringsOf(
  { kind, data }: CanonicalEvent,
  channel: Pick<ChannelContext, 'currency' | 'rates'>,
): number | null {
  if ('amountMinor' in data) return comparableMinor(data.amountMinor, data.currency, channel) ?? null
  if (kind === 'giftBatch' && 'count' in data) return data.count
  if (kind === 'applause' && 'points' in data) return data.points
  return 'partySize' in data ? data.partySize : null
}

/** What several bring together, as words say it. */
export function totalOf({ data }: CanonicalEvent, total: number | null, currency: string): TemplateValue | null {
  if (total === null) return null
  return 'amountMinor' in data ? { amountMinor: total, currency } : total
}

/** A case for several at once is designed for so many; where everything is as large as it can be, for very many. */
const samples = { usual: 12, most: 4_000 }

/** With how many a sample is shown, and what they bring together. */
export function sampleNumbers(
  event: CanonicalEvent,
  channel: Pick<ChannelContext, 'currency' | 'rates'>,
  count = samples.usual,
): Together {
  const own = bringsOf(event, channel)
  return { count, total: own === null ? null : own * count }
}

/** With how many others a sample is shown, as words say it. */
export function sampleTogether(
  event: CanonicalEvent,
  channel: Pick<ChannelContext, 'currency' | 'rates'>,
  viewer: SampleName,
): ShownTogether {
  const { count, total } = sampleNumbers(
    event,
    channel,
    viewer === 'longest' || viewer === 'largestNumber' ? samples.most : samples.usual,
  )
  return { count, total: totalOf(event, total, channel.currency) }
}
