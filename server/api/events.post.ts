import { defineEventHandler, getHeader, setResponseStatus } from 'h3'
import { batchMax, readCloudEvent } from '../../contract/cloudEvent.ts'
import { readApiKey } from '../auth/access.ts'
import { parseJson } from '../http/readChecked.ts'
import { readBounded } from '../http/readBounded.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'
import { problemError } from '../system/problemError.ts'
import { useIngest } from '../ingest/port.ts'

const maxBytes = 1024 * 1024

/**
 * One CloudEvents 1.0 JSON event, or a batch of them. All are checked first: one that does not fit refuses the whole
 * request.
 */
export default defineEventHandler(async (event) => {
  const key = await readApiKey(event)
  if (!key) throw problemError(401, 'Send "Authorization: Bearer <API key>".')
  const type = (getHeader(event, 'content-type') ?? '').split(';')[0]?.trim()
  const isBatch = type === 'application/cloudevents-batch+json'
  if (!isBatch && type !== 'application/cloudevents+json') {
    throw problemError(415, 'Send application/cloudevents+json, or application/cloudevents-batch+json for a batch.')
  }
  const body = parseJson(await readBounded(event, maxBytes))
  if (isBatch && !Array.isArray(body)) throw problemError(422, 'A batch is a JSON array of events.')
  const list: unknown[] = isBatch && Array.isArray(body) ? body : [body]
  if (list.length === 0 || list.length > batchMax) throw problemError(422, `A batch has 1 to ${batchMax} events.`)
  const incoming = list.map((each, index) => toIncoming(each, isBatch ? `${index}.` : ''))
  const { ingest } = await useIngest()
  setResponseStatus(event, 202)
  return ingest.accept(key.channelId, incoming)
})

function toIncoming(raw: unknown, path: string): IncomingEvent {
  const read = readCloudEvent(raw)
  if (!read.ok)
    throw problemError(
      422,
      'The event does not fit; nothing was written.',
      read.error.map((fault) => ({ ...fault, path: path + fault.path })),
    )
  const { source, occurredAtMs, receivedAtMs: _ours, ...of } = read.value
  return { ...of, source: `api:${source}`, occurredAtMs: occurredAtMs ?? Date.now() }
}
