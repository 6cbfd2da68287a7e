import * as z from 'zod'
import { mediaId } from '../composition/mediaId.ts'
import { hexColour } from '../look/schema.ts'

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/)
const finite = z.number().min(-1_000_000).max(1_000_000)

/**
 * How a dial's value becomes what stands at a place. A closed list, no code. `same`: as it is. `range`: a number of one
 * range in another, the ends included. `step`: to the nearest multiple. `turned`: a switch the other way round.
 * `choose`: what belongs to a choice. `own`: as a value of the part's own in the place of a role (a colour, a
 * typeface). `recolour`: a picture's colour brought to the dial's, its own kept in memory.
 */
export const transform = z.discriminatedUnion('as', [
  z.strictObject({ as: z.literal('same') }),
  z
    .strictObject({ as: z.literal('range'), from: z.tuple([finite, finite]), to: z.tuple([finite, finite]) })
    .refine(({ from }) => from[0] < from[1], 'the range has no width'),
  z.strictObject({ as: z.literal('step'), size: z.number().positive().max(1_000_000) }),
  z.strictObject({ as: z.literal('turned') }),
  z.strictObject({ as: z.literal('choose'), of: z.record(id, z.union([z.string().max(2000), finite, z.boolean()])) }),
  z.strictObject({ as: z.literal('own') }),
  z.strictObject({ as: z.literal('recolour') }),
])
export type Transform = z.infer<typeof transform>

/**
 * A place in a box, by ids and names with dots: `look.palette.accent`, `alerts.*.variations.*.parts.headline.sizePx`.
 */
export const dialPath = z
  .string()
  .min(1)
  .max(300)
  .regex(/^[\w-]+(\.([\w-]+|\*))+$/, 'a place is written as names with dots')

const binding = z.strictObject({ path: dialPath, transform })
const base = {
  id,
  label: z.string().min(1).max(60),
  about: z.string().max(200),
  group: z.string().max(60),
  bindings: z.array(binding).min(1, 'a dial that turns nothing').max(100),
}

/** A control that a designer declares and a broadcaster turns. */
export const dial = z.discriminatedUnion('kind', [
  z.strictObject({ ...base, kind: z.literal('colour'), initial: hexColour }),
  z
    .strictObject({
      ...base,
      kind: z.literal('number'),
      initial: finite,
      least: finite,
      most: finite,
      unit: z.string().max(20),
    })
    .refine(
      ({ least, most, initial }) => least < most && initial >= least && initial <= most,
      'the number begins outside its range',
    ),
  z.strictObject({ ...base, kind: z.literal('switch'), initial: z.boolean() }),
  z
    .strictObject({
      ...base,
      kind: z.literal('choice'),
      initial: id,
      choices: z
        .array(z.strictObject({ id, label: z.string().min(1).max(60) }))
        .min(2)
        .max(20),
    })
    .refine(
      ({ choices, initial }) => choices.some((each) => each.id === initial),
      'what is chosen at first is no choice',
    ),
  z.strictObject({ ...base, kind: z.literal('words'), initial: z.string().max(500) }),
  z.strictObject({ ...base, kind: z.literal('picture'), initial: mediaId }),
  z.strictObject({ ...base, kind: z.literal('sound'), initial: mediaId }),
  z.strictObject({ ...base, kind: z.literal('font'), initial: z.string().min(1).max(80) }),
])
export type Dial = z.infer<typeof dial>
export const dialValue = z.union([z.string().max(2000), finite, z.boolean()])
export type DialValue = z.infer<typeof dialValue>

/** Why a dial cannot be turned to a value; null when it can. */
export function faultOfValue(of: Dial, value: DialValue): string | null {
  switch (of.kind) {
    case 'colour':
      return hexColour.safeParse(value).success ? null : 'a colour is written as #RRGGBB'
    case 'number':
      return typeof value === 'number' && value >= of.least && value <= of.most
        ? null
        : `from ${of.least} to ${of.most}`
    case 'switch':
      return typeof value === 'boolean' ? null : 'on or off'
    case 'choice':
      return of.choices.some((each) => each.id === value) ? null : 'none of the choices'
    case 'picture':
    case 'sound':
      return mediaId.safeParse(value).success ? null : 'no file'
    case 'words':
      return typeof value === 'string' && value.length <= 500 ? null : 'words, at most 500 letters'
    case 'font':
      return typeof value === 'string' && value.length > 0 && value.length <= 80 ? null : 'no typeface'
  }
}
