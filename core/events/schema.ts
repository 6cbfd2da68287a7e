import type * as z from 'zod'
import { eventKind, kindOf, type EventKind, type kindDefinitions } from './kinds.ts'
import type { ShownTogether } from './together.ts'

export type EventDataOf<K extends EventKind> = z.infer<(typeof kindDefinitions)[K]['data']>

/** One thing that happened, as the rest of the program sees it. */
export type CanonicalEvent = {
  [K in EventKind]: {
    kind: K
    externalId: string
    source: string
    occurredAtMs: number
    data: EventDataOf<K>
    /** Absent: it is shown alone. Nobody sends it so; it is made so where it is shown. */
    together?: ShownTogether
  }
}[EventKind]

/** What each kind of event carries: the `data` of a CloudEvent. */
export const dataSchemaOf = (kind: EventKind): z.ZodType<CanonicalEvent['data']> =>
  // Which of them it is the compiler cannot follow through the union.
  kindOf(kind).data as z.ZodType<CanonicalEvent['data']>

/**
 * Checks `data` against its kind.
 * @throws ZodError with the paths of what does not fit.
 */
export function parseEventData(kind: EventKind, data: unknown): CanonicalEvent['data'] {
  return dataSchemaOf(eventKind.parse(kind)).parse(data)
}
