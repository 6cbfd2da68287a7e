import * as z from 'zod'
import { testBody } from '../../contract/bodies.ts'
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
          summary: 'One CloudEvents 1.0 event, or a batch of them',
          security: [{ apiKey: [] }],
          requestBody: {
            required: true,
            content: {
              'application/cloudevents+json': { schema: event },
              'application/cloudevents-batch+json': {
                schema: { type: 'array', items: event, minItems: 1, maxItems: batchMax },
              },
            },
          },
          responses: { 202: answer, ...problems(400, 401, 413, 415, 422, 503) },
        },
        get: {
          summary: 'The channel’s events, oldest first, with the decision on each',
          security: [{ apiKey: [] }],
          parameters: [
            parameter('after', 'query', whole),
            parameter('limit', 'query', { type: 'integer', minimum: 1, maximum: 500 }),
          ],
          responses: {
            200: { description: '`{ events, nextAfter }`', ...json({ type: 'object' }) },
            ...problems(401, 422),
          },
        },
      },
      '/api/boxes/{boxId}/tests': {
        post: {
          summary: 'A test event: plays on sources, is marked as a test, never counts',
          security: [{ apiKey: [] }],
          parameters: [parameter('boxId', 'path')],
          requestBody: { required: true, ...json(z.toJSONSchema(testBody)) },
          responses: {
            202: { description: '`{ eventId, playId, reason, sources }`', ...json({ type: 'object' }) },
            ...problems(401, 403, 404, 422),
          },
        },
      },
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
