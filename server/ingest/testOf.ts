import type { z } from 'zod'
import type { testBody } from '../../contract/bodies.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { plainCircumstances } from '../../core/rules/circumstances.ts'
import { exampleOf } from '../../core/rules/exampleOf.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Pretended } from './decideEvents.ts'

/** What a test plays: an event, and what surrounds it. */
export interface Test {
  event: Pick<CanonicalEvent, 'kind' | 'data' | 'occurredAtMs'>
  pretended: Pretended
}

/**
 * A made-up test: for a kind, or for one case of it with what that case is for.
 * @returns null for a case that the box does not have on air
 */
export function madeUpTest(
  { kind = 'follow', viewer = 'everyday', variationId, choice }: z.infer<typeof testBody>,
  document: BoxDocument | null,
  channel: ChannelOnAir,
  nowMs: number,
): Test | null {
  const sampleOf = (of: CanonicalEvent['kind']) => withChoice(sampleEvent(of, viewer, nowMs), choice)
  if (variationId === undefined)
    return { event: sampleOf(kind), pretended: { circumstances: plainCircumstances, variationId: null } }
  const alert = document?.alerts.find(({ variations }) => variations.some(({ id }) => id === variationId))
  if (!alert) return null
  const kinds = alert.kinds.includes(kind) ? [kind, ...alert.kinds.filter((each) => each !== kind)] : alert.kinds
  const example = exampleOf({ kinds, offer: alert.offer }, alert.variations, sampleOf, variationId, channel)
  return {
    event: example?.event ?? sampleOf(kinds[0] ?? kind),
    pretended: { circumstances: example?.circumstances ?? plainCircumstances, variationId },
  }
}

const withChoice = (event: CanonicalEvent, choice: string | undefined): CanonicalEvent =>
  choice === undefined ? event : ({ ...event, data: { ...event.data, choice } } as CanonicalEvent)
