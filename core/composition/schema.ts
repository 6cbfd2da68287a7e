import * as z from 'zod'
import { part } from '../parts/part.ts'
import { lengthRule } from './clip.ts'

export const maxParts = 100

/**
 * What one variation shows and sounds like. The only source of its type. Parts are in drawing order: the first lies at
 * the back. Anchors are checked by the solver, which names the parts of a cycle; ids must be unique here.
 */
export const composition = z
  .object({
    version: z.literal(1),
    length: lengthRule,
    parts: z.array(part).max(maxParts, `a composition holds at most ${maxParts} parts`),
  })
  .superRefine((value, context) => {
    const seen = new Set<string>()
    value.parts.forEach((each, index) => {
      if (seen.has(each.id)) context.addIssue({ code: 'custom', path: ['parts', index, 'id'], message: `two parts are called "${each.id}"` })
      seen.add(each.id)
    })
  })
export type Composition = z.infer<typeof composition>
