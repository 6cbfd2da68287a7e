import * as z from 'zod'
import { part } from '../score/parts/part.ts'
import { remarkTypes } from '../remarks/remarkTypes.ts'
import { lengthRule, partId } from './clip.ts'

export const maxParts = 200
export const maxKeyframes = 2000

/** A remark that the person has read and wants no more: for one part, or for the whole (`partId: null`). */
const silencedRemark = z.object({ type: z.enum(remarkTypes), partId: partId.nullable() })

/**
 * What one variation shows and sounds like. The only source of its type. Parts are in drawing order: the first lies at
 * the back. Anchors are checked by the solver, which names the parts of a cycle; ids must be unique here.
 */
export const composition = z
  .object({
    version: z.literal(4),
    length: lengthRule,
    parts: z.array(part).max(maxParts, `a composition holds at most ${maxParts} parts`),
    silenced: z.array(silencedRemark).max(200),
  })
  .superRefine((value, context) => {
    const seen = new Set<string>()
    let frames = 0
    value.parts.forEach((each, index) => {
      if (seen.has(each.id))
        context.addIssue({ code: 'custom', path: ['parts', index, 'id'], message: `two parts are called "${each.id}"` })
      seen.add(each.id)
      if ('keyframes' in each) for (const track of each.keyframes) frames += track.frames.length
    })
    if (frames > maxKeyframes)
      context.addIssue({
        code: 'custom',
        path: ['parts'],
        message: `a composition holds at most ${maxKeyframes} keyframes; these are ${frames}`,
      })
  })
export type Composition = z.infer<typeof composition>
