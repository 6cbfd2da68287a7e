import * as z from 'zod'
import { eventKinds, type EventKind } from '../core/events/kinds.ts'
import { cleanText } from '../core/text/cleanText.ts'

const label = (maximum: number) => z.string().min(1).max(maximum).transform(cleanText)
const typeNames = new Map<string, EventKind>(eventKinds.map((kind) => [`thundercrest.event.${kind}.v1`, kind]))

/** The envelope of one CloudEvents 1.0 JSON event; its `data` is checked against its kind afterwards. */
export const cloudEvent = z.object({
  specversion: z.literal('1.0'),
  id: label(200),
  source: label(400),
  type: z.string().transform((type, context) => {
    const kind = typeNames.get(type)
    if (kind) return kind
    context.addIssue({
      code: 'custom',
      message: `"${type.slice(0, 80)}" is not a type such as thundercrest.event.follow.v1`,
    })
    return z.NEVER
  }),
  time: z.iso.datetime({ offset: true }).optional(),
  /** An extension of ours: when it was received. Only a history that is brought back says so. */
  receivedtime: z.iso.datetime({ offset: true }).optional(),
  istest: z.boolean().optional(),
  data: z.unknown(),
})
export type CloudEvent = z.infer<typeof cloudEvent>

/** The most events in one batch. */
export const batchMax = 500

/** An event that is kept, as it goes out: what is brought back of it is the same event. */
export const cloudEventOf = (kept: {
  externalId: string
  source: string
  kind: EventKind
  occurredAt: Date
  receivedAt: Date
  isTest: boolean
  data: unknown
}) => ({
  specversion: '1.0',
  id: kept.externalId,
  source: kept.source,
  type: `thundercrest.event.${kept.kind}.v1`,
  time: kept.occurredAt.toISOString(),
  receivedtime: kept.receivedAt.toISOString(),
  // A test is one wherever it goes.
  ...(kept.isTest ? { istest: true } : {}),
  datacontenttype: 'application/json',
  data: kept.data,
})
