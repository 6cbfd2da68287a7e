import * as z from 'zod'
import { isDateOfEvents, noDateOfEvents } from '../core/events/eventDates.ts'
import { eventKinds, type EventKind } from '../core/events/kinds.ts'
import { dataSchemaOf, type CanonicalEvent } from '../core/events/schema.ts'
import { cleanedDeep } from '../core/json/unstorable.ts'
import { err, ok, type Result } from '../core/result.ts'
import { cleanText } from '../core/text/cleanText.ts'
import { issuesOf } from './issuesOf.ts'
import type { Problem } from './problem.ts'

/** The `type` of the events of a kind. */
export const eventTypeOf = (kind: EventKind) => `thundercrest.event.${kind}.v1`

const label = (maximum: number) => z.string().min(1).max(maximum).transform(cleanText)
/** The kind that events of a `type` are of; none for a type that is not ours. */
export const kindOfType: ReadonlyMap<string, EventKind> = new Map(eventKinds.map((kind) => [eventTypeOf(kind), kind]))
const moment = z.iso
  .datetime({ offset: true })
  .transform((text) => Date.parse(text))
  .refine(isDateOfEvents, noDateOfEvents)

/** The envelope of one CloudEvents 1.0 JSON event; its `data` is checked against its kind afterwards. */
const envelope = z.object({
  specversion: z.literal('1.0'),
  id: label(200),
  source: label(400),
  type: z.string().transform((type, context) => {
    const kind = kindOfType.get(type)
    if (kind) return kind
    context.addIssue({
      code: 'custom',
      message: `"${type.slice(0, 80)}" is not a type such as thundercrest.event.follow.v1`,
    })
    return z.NEVER
  }),
  time: moment.optional(),
  /** An extension of ours: when it was received. Only a history that is brought back says so. */
  receivedtime: moment.optional(),
  istest: z.boolean().optional(),
  data: z.unknown(),
})

/** A CloudEvent, read and checked whole. */
export interface ReadCloudEvent {
  externalId: string
  source: string
  kind: EventKind
  data: CanonicalEvent['data']
  /** Null: it does not say when. */
  occurredAtMs: number | null
  receivedAtMs: number | null
  isTest: boolean
}

/** Reads one CloudEvent: its envelope, then its data by the kind that the envelope names. @returns what does not fit */
export function readCloudEvent(raw: unknown): Result<ReadCloudEvent, NonNullable<Problem['issues']>> {
  const read = envelope.safeParse(raw)
  if (!read.success) return err(issuesOf(read.error))
  const { id, source, type: kind, time = null, receivedtime = null, istest = false } = read.data
  const data = dataSchemaOf(kind).safeParse(read.data.data)
  if (!data.success) return err(issuesOf(data.error, 'data.'))
  return ok({
    ...{ externalId: id, source, kind, data: cleanedDeep(data.data) },
    ...{ occurredAtMs: time, receivedAtMs: receivedtime, isTest: istest },
  })
}

/** What the headers of a binary request say, each as it was before it was put into a header; what cannot be read stays as it is. */
function said(value: string): string {
  try {
    return decodeURIComponent(value)
  } catch {
    return value
  }
}

/**
 * The envelope of an event in binary mode: its attributes are headers that begin with `ce-`, percent-encoded where they are no plain
 * ASCII (CloudEvents 1.0.2, HTTP protocol binding, 3.1.3); its data is the body.
 */
export function binaryEnvelope(
  headers: Readonly<Record<string, string | string[] | undefined>>,
  data: unknown,
): object {
  const attributes: Record<string, unknown> = {}
  for (const [name, value] of Object.entries(headers))
    if (name.startsWith('ce-') && typeof value === 'string') attributes[name.slice(3)] = said(value)
  // Headers are text: the one attribute of ours that is no text is read as what it means.
  const { istest } = attributes
  if (istest === 'true' || istest === 'false') attributes['istest'] = istest === 'true'
  return { ...attributes, data }
}

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
  type: eventTypeOf(kept.kind),
  time: kept.occurredAt.toISOString(),
  receivedtime: kept.receivedAt.toISOString(),
  // A test is one wherever it goes.
  ...(kept.isTest ? { istest: true } : {}),
  datacontenttype: 'application/json',
  data: kept.data,
})
