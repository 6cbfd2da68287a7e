import * as z from 'zod'
import { composition } from '../../core/composition/schema.ts'
import { eventKinds } from '../../core/events/kinds.ts'
import { manifest } from '../../core/pack/manifest.ts'
import { eventData } from '../../core/events/schema.ts'

const toSchema = (schema: z.ZodType) =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Record<string, unknown>

/** JSON Schemas of the `data` of every kind of event, under `$defs` by kind. */
export function eventSchemas(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Canonical events: the data of each kind',
    $defs: Object.fromEntries(eventKinds.map((kind) => [kind, toSchema(eventData[kind])])),
  }
}

/** JSON Schema of a composition. */
export function compositionSchema(): Record<string, unknown> {
  return { title: 'Composition', ...toSchema(composition) }
}

/** JSON Schema of a pack's manifest. */
export function packSchema(): Record<string, unknown> {
  return { title: 'Manifest of a pack', ...toSchema(manifest) }
}
