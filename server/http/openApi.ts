import * as z from 'zod'
import { clearedBody, heldBody, panicBody, soundBody, testBody } from '../../contract/bodies.ts'
import { batchMax, eventTypeOf } from '../../contract/cloudEvent.ts'
import { eventKinds } from '../../core/events/kinds.ts'

const json = (schema: object) => ({ content: { 'application/json': { schema } } })
const problems = (...statuses: number[]) =>
  Object.fromEntries(
    statuses.map((status) => [
      status,
      {
        description: 'What happened and what to do',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    ]),
  )
const parameter = (name: string, where: 'path' | 'query' | 'header', schema: object = { type: 'string' }) => ({
  name,
  in: where,
  required: where !== 'query',
  schema,
})
const answer = { description: 'Durable', ...json({ $ref: '#/components/schemas/DeliveryAnswer' }) }
const text = (description: string) => ({ description, content: { 'text/plain': { schema: { type: 'string' } } } })
const whole = { type: 'integer', minimum: 0 }

const components = {
  securitySchemes: { apiKey: { type: 'http', scheme: 'bearer' } },
  schemas: {
    Problem: {
      type: 'object',
      required: ['type', 'title', 'status', 'detail'],
      properties: {
        type: { type: 'string' },
        title: { type: 'string' },
        status: { type: 'integer' },
        detail: { type: 'string' },
        issues: {
          type: 'array',
          items: { type: 'object', properties: { path: { type: 'string' }, message: { type: 'string' } } },
        },
      },
    },
    DeliveryAnswer: {
      type: 'object',
      required: ['accepted', 'repeated', 'rejected'],
      properties: { accepted: whole, repeated: whole, rejected: whole },
    },
    EventsPage: {
      type: 'object',
      required: ['events', 'nextAfter'],
      properties: {
        events: {
          type: 'array',
          items: {
            type: 'object',
            required: ['id', 'seq', 'kind', 'source', 'data'],
            properties: {
              id: { type: 'string' },
              seq: whole,
              kind: { enum: eventKinds },
              source: { type: 'string' },
              data: { type: 'object' },
            },
          },
        },
        nextAfter: whole,
      },
    },
    Boxes: {
      type: 'object',
      required: ['boxes', 'boards'],
      properties: Object.fromEntries(
        ['boxes', 'boards'].map((name) => [
          name,
          {
            type: 'array',
            items: {
              type: 'object',
              required: ['id', 'name'],
              properties: { id: { type: 'string' }, name: { type: 'string' } },
            },
          },
        ]),
      ),
    },
    CloudEvent: {
      type: 'object',
      required: ['specversion', 'id', 'source', 'type', 'data'],
      properties: {
        specversion: { const: '1.0' },
        id: { type: 'string', maxLength: 200 },
        source: { type: 'string', maxLength: 400 },
        type: { enum: eventKinds.map(eventTypeOf) },
        time: { type: 'string', format: 'date-time' },
        data: { description: 'See /schemas/events.json, $defs by kind' },
      },
    },
  },
}

const deskActs = [
  { path: 'held', operationId: 'hold', summary: 'Holds the line of a box, or lets it go on.', body: heldBody },
  {
    path: 'panic',
    operationId: 'panic',
    summary: 'Empties the screen and holds, or takes that back.',
    body: panicBody,
  },
  { path: 'cleared', operationId: 'clear', summary: 'Takes out all that waits, or puts it back.', body: clearedBody },
  { path: 'sound', operationId: 'silence', summary: 'Has nothing of a box be heard, or all again.', body: soundBody },
] as const

/** The HTTP contract that scripts, operators and other programs may rely on, as OpenAPI 3.1. */
export function openApi(origin: string): Record<string, unknown> {
  const event = { $ref: '#/components/schemas/CloudEvent' }
  return {
    openapi: '3.1.0',
    info: { title: 'Thundercrest', version: '1', license: { name: 'Apache-2.0', identifier: 'Apache-2.0' } },
    servers: [{ url: origin }],
    components,
    paths: {
      '/healthz': {
        get: { summary: 'Liveness', responses: { 200: { description: 'Alive', ...json({ type: 'object' }) } } },
      },
      '/readyz': {
        get: {
          summary: 'Readiness: the database answers',
          responses: { 200: { description: 'Ready', ...json({ type: 'object' }) }, ...problems(503) },
        },
      },
      '/metrics': {
        get: {
          summary: 'Prometheus text',
          security: [{ apiKey: [] }],
          responses: { 200: text('Metrics'), ...problems(401) },
        },
      },
      '/schemas/events.json': {
        get: {
          summary: 'JSON Schemas of canonical events',
          responses: { 200: { description: 'Schemas', ...json({ type: 'object' }) } },
        },
      },
      '/schemas/composition.json': {
        get: {
          summary: 'JSON Schema of compositions',
          responses: { 200: { description: 'Schema', ...json({ type: 'object' }) } },
        },
      },
      '/schemas/pack.json': {
        get: {
          summary: 'JSON Schema of the manifest of packs',
          responses: { 200: { description: 'Schema', ...json({ type: 'object' }) } },
        },
      },
      '/openapi.json': {
        get: { summary: 'This document', responses: { 200: { description: 'OpenAPI', ...json({ type: 'object' }) } } },
      },
      '/api/feeds/{feedId}/deliveries': {
        post: {
          summary: 'A platform’s raw payload, signed after the Standard Webhooks specification',
          parameters: [
            parameter('feedId', 'path'),
            ...['webhook-id', 'webhook-timestamp', 'webhook-signature'].map((name) => parameter(name, 'header')),
          ],
          requestBody: { required: true, ...json({}) },
          responses: { 202: answer, ...problems(401, 404, 413, 422, 503) },
        },
      },
      '/api/events': {
        post: {
          operationId: 'sendEvents',
          summary:
            'CloudEvents 1.0 in structured, batched or binary mode: one event, a batch of them, or one whose attributes are headers. For keys that may send events',
          security: [{ apiKey: [] }],
          parameters: ['specversion', 'id', 'source', 'type', 'time'].map((name) => ({
            ...parameter(`ce-${name}`, 'header'),
            required: false,
            description: 'In binary mode',
          })),
          requestBody: {
            required: true,
            content: {
              'application/cloudevents+json': { schema: event },
              'application/cloudevents-batch+json': {
                schema: { type: 'array', items: event, minItems: 1, maxItems: batchMax },
              },
              'application/json': { schema: { type: 'object', description: 'The data of an event in binary mode' } },
            },
          },
          responses: { 202: answer, ...problems(400, 401, 403, 413, 415, 422, 429, 503) },
        },
        get: {
          operationId: 'readEvents',
          summary: 'The channel’s events, oldest first, with the decision on each. For keys that may read events',
          security: [{ apiKey: [] }],
          parameters: [
            parameter('after', 'query', whole),
            parameter('limit', 'query', { type: 'integer', minimum: 1, maximum: 500 }),
          ],
          responses: {
            200: { description: 'A page of them', ...json({ $ref: '#/components/schemas/EventsPage' }) },
            ...problems(401, 403, 422, 429),
          },
        },
      },
      '/api/boxes/{boxId}/tests': {
        post: {
          operationId: 'sendTest',
          summary: 'A test event: plays on sources, is marked as a test, never counts. For keys that may send tests',
          security: [{ apiKey: [] }],
          parameters: [parameter('boxId', 'path')],
          requestBody: { required: true, ...json(z.toJSONSchema(testBody)) },
          responses: {
            202: { description: '`{ eventId, playId, reason, sources }`', ...json({ type: 'object' }) },
            ...problems(401, 403, 404, 422, 429),
          },
        },
      },
      '/api/boxes': {
        get: {
          operationId: 'readBoxes',
          summary: 'The boxes and boards of the channel. For keys that may act at the desk',
          security: [{ apiKey: [] }],
          responses: {
            200: { description: 'Each with its id', ...json({ $ref: '#/components/schemas/Boxes' }) },
            ...problems(401, 403, 429),
          },
        },
      },
      ...Object.fromEntries(
        deskActs.map(({ path, operationId, summary, body }) => [
          `/api/boxes/{boxId}/${path}`,
          {
            put: {
              operationId,
              summary: `${summary} For keys that may act at the desk`,
              security: [{ apiKey: [] }],
              parameters: [parameter('boxId', 'path')],
              requestBody: { required: true, ...json(z.toJSONSchema(body)) },
              responses: {
                200: { description: 'As it is now', ...json({ type: 'object' }) },
                ...problems(401, 403, 404, 409, 422, 429),
              },
            },
          },
        ]),
      ),
      '/api/list/{channelId}': {
        get: {
          summary: 'What viewers of a channel can set off, for what, and who may: what `/list/{channelId}` shows',
          parameters: [parameter('channelId', 'path')],
          responses: {
            200: { description: 'The list', ...json({ type: 'object' }) },
            ...problems(404),
          },
        },
      },
      '/source/{token}': {
        get: {
          summary: 'The browser source page',
          parameters: [parameter('token', 'path')],
          responses: {
            200: { description: 'HTML' },
            404: { description: 'An empty page: the address is not valid (any more)' },
          },
        },
      },
      '/board/{token}': {
        get: {
          summary: 'The browser source page of a board',
          parameters: [parameter('token', 'path')],
          responses: {
            200: { description: 'HTML' },
            404: { description: 'An empty page: the address is not valid (any more)' },
          },
        },
      },
      '/speech/{file}': {
        get: {
          summary: 'A recording of a voice, by its sealed key',
          parameters: [parameter('file', 'path')],
          responses: { 200: { description: 'RIFF WAVE' }, ...problems(404) },
        },
      },
      '/media/{id}/poster': {
        get: {
          summary: 'A small picture of a media file',
          parameters: [parameter('id', 'path')],
          responses: { 200: { description: 'WebP' }, ...problems(404) },
        },
      },
      '/media/{id}': {
        get: {
          summary: 'A media file by the SHA-256 of its content',
          parameters: [parameter('id', 'path')],
          responses: { 200: { description: 'The file' }, ...problems(404) },
        },
      },
    },
  }
}
