import { defineEventHandler, getHeader, setResponseStatus, type H3Event } from 'h3'
import { batchMax, binaryEnvelope, readCloudEvent } from '../../contract/cloudEvent.ts'
import { actorOfKey } from '../auth/keys.ts'
import { parseJson } from '../http/readChecked.ts'
import { readBounded } from '../http/readBounded.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'
import { problemError } from '../system/problemError.ts'
import { useIngest } from '../ingest/port.ts'

const maxBytes = 1024 * 1024

/**
 * CloudEvents 1.0 over HTTP in each of its three modes: one in JSON (structured), a batch of them, or one whose attributes are headers
 * and whose data is the body (binary). All are checked first: one that does not fit refuses the whole request.
 */
export default defineEventHandler(async (event) => {
  const { channel } = await actorOfKey(event, 'send')
  const { list, isBatch } = await readMode(event)
  if (list.length === 0 || list.length > batchMax) throw problemError(422, `A batch has 1 to ${batchMax} events.`)
  const incoming = list.map((each, index) => toIncoming(each, isBatch ? `${index}.` : ''))
  const { ingest } = await useIngest()
  setResponseStatus(event, 202)
  return ingest.accept(channel.id, incoming)
})

/** The events of a request as their envelopes in JSON, whichever mode they come in. @throws 400, 413, 415 or 422 */
async function readMode(event: H3Event): Promise<{ list: unknown[]; isBatch: boolean }> {
  const type = (getHeader(event, 'content-type') ?? '').split(';')[0]?.trim().toLowerCase() ?? ''
  const isBatch = type === 'application/cloudevents-batch+json'
  const isStructured = type === 'application/cloudevents+json'
  const isBinary = getHeader(event, 'ce-specversion') !== undefined && /^application\/(?:[\w.-]+\+)?json$/.test(type)
  if (!isBatch && !isStructured && !isBinary)
    throw problemError(
      415,
      'Send application/cloudevents+json, application/cloudevents-batch+json for a batch, or application/json with the attributes of the event in ce- headers.',
    )
  const body = parseJson(await readBounded(event, maxBytes))
  if (isBatch) {
    if (!Array.isArray(body)) throw problemError(422, 'A batch is a JSON array of events.')
    return { list: body, isBatch }
  }
  return { list: [isStructured ? body : binaryEnvelope(event.node.req.headers, body)], isBatch }
}

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
