import * as z from 'zod'
import { composition } from '../../core/composition/schema.ts'
import { eventKinds } from '../../core/events/kinds.ts'
import { manifest } from '../../core/pack/manifest.ts'
import { dataSchemaOf } from '../../core/events/schema.ts'

const toSchema = (schema: z.ZodType) =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Record<string, unknown>

type Schema = Record<string, unknown>

/** Made once, where it is first asked for: the schema of a composition takes a second to be written down. */
function once(make: () => Schema): () => Schema {
  let made: Schema | null = null
  return () => (made ??= make())
}

/** JSON Schemas of the `data` of every kind of event, under `$defs` by kind. */
export const eventSchemas = once(() => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Canonical events: the data of each kind',
  $defs: Object.fromEntries(eventKinds.map((kind) => [kind, toSchema(dataSchemaOf(kind))])),
}))

/** JSON Schema of a composition. */
export const compositionSchema = once(() => ({ title: 'Composition', ...toSchema(composition) }))

/** JSON Schema of a pack's manifest. */
export const packSchema = once(() => ({ title: 'Manifest of a pack', ...toSchema(manifest) }))
