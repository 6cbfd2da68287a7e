import type { Alert, BoxDocument, Variation } from '../composition/box.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { Ticket } from '../queue/ticket.ts'
import { totalOf } from './brings.ts'
import type { ChannelOnAir } from './channelOnAir.ts'
import { severalCase } from './playFacts.ts'
import type { PlayFacts } from '../queue/facts.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import { lengthAsShown, scoreFor, type ScoreRequest } from './scoreFor.ts'

/** How a play is shown, where that is not by itself and as it usually is. */
export type ShownWish = Pick<Ticket, 'together' | 'brought' | 'isShort'>

/** An event as it is shown: with others, or with as many gifts as came. */
export function shownEvent(
  event: CanonicalEvent,
  { together, brought = 0 }: ShownWish,
  { currency }: Pick<ChannelOnAir, 'currency'>,
): CanonicalEvent {
  const { data } = event
  const more = event.kind === 'giftBatch' && 'count' in data && brought > data.count
  const shown = more ? ({ ...event, data: { ...data, count: brought } } as CanonicalEvent) : event
  return together
    ? { ...shown, together: { count: together.count, total: totalOf(event, together.total, currency) } }
    : shown
}

/** The case that shows it: of several together the alert's own for that, where it has one. */
export const shownCase = (alert: Alert, own: Variation, event: CanonicalEvent, channel: ChannelOnAir): Variation =>
  event.together ? (severalCase(alert, { event, channel }) ?? own) : own

/**
 * How long a play lasts as it is shown, to the millisecond, its voices aside: what stands in the line is a quarter of a second
 * near where it is short. Null: its case is gone.
 */
export function shownLengthMs(ticket: Ticket, of: ShownFor): number | null {
  const request = shownRequest(ticket.facts ?? null, ticket, of)
  return request === null ? null : lengthAsShown(request)
}

/** What a play is shown for, and from which box. */
interface ShownFor {
  event: CanonicalEvent
  receivedAtMs: number
  document: BoxDocument
  channel: ChannelOnAir
}
type PlayedCase = Pick<PlayFacts, 'alertId' | 'variationId'>

/** A play as it is shown, before its voices have spoken. Null: its case is gone, or does not resolve. */
export function shownScore(
  played: PlayedCase,
  wish: ShownWish,
  of: ShownFor,
): { score: ResolvedScore; variation: Variation } | null {
  const request = shownRequest(played, wish, of)
  if (request === null) return null
  const score = scoreFor(request)
  return score.ok ? { score: score.value, variation: request.variation } : null
}

function shownRequest(played: PlayedCase | null, wish: ShownWish, of: ShownFor): ScoreRequest | null {
  const alert = of.document.alerts.find(({ id }) => id === played?.alertId)
  const own = alert?.variations.find(({ id }) => id === played?.variationId)
  if (!alert || !own) return null
  const event = shownEvent(of.event, wish, of.channel)
  return { ...of, event, variation: shownCase(alert, own, event, of.channel), isShort: wish.isShort ?? false }
}
