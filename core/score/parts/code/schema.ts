import * as z from 'zod'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { styledInk } from '../../../look/schema.ts'

export const codeLimits = { htmlLetters: 20_000, cssLetters: 40_000, elements: 500, depth: 40, properties: 40 } as const
export const numberUnits = ['', 'px', 'em', '%', 'deg', 's', 'ms'] as const

/** What dials turn: each is a custom property of that name in the style sheet. */
const property = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('colour'), ink: styledInk }),
  z.strictObject({
    kind: z.literal('number'),
    value: z.number().min(-1_000_000).max(1_000_000),
    unit: z.enum(numberUnits),
  }),
  z.strictObject({ kind: z.literal('words'), template: z.string().max(500) }),
])
export type CodeProperty = z.infer<typeof property>

/** How a property is called behind its two dashes. */
export const propertyName = z.string().regex(/^[a-z][a-zA-Z0-9-]{0,39}$/, 'a name is letters, numbers and dashes')

/** HTML and CSS of one’s own, without scripts: a document by itself in a box, whose animations follow the score. */
export const code = z.object({
  ...visibleBase,
  kind: z.literal('code'),
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  html: z.string().max(codeLimits.htmlLetters),
  css: z.string().max(codeLimits.cssLetters),
  properties: z
    .record(propertyName, property)
    .refine((all) => Object.keys(all).length <= codeLimits.properties, `at most ${codeLimits.properties} properties`),
})
export type Code = z.infer<typeof code>
