import * as z from 'zod'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { styledInk } from '../../../look/schema.ts'

export const outlines = ['rectangle', 'ellipse', 'triangle', 'diamond', 'star', 'burst', 'ribbon', 'bubble'] as const

/** A drawn form: filled, stroked or both. */
export const shape = z.object({
  ...visibleBase,
  kind: z.literal('shape'),
  form: z.enum(outlines),
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  /** Of rectangles and bubbles. */
  cornerPx: z.number().min(0).max(2000),
  fill: styledInk.nullable(),
  stroke: z.object({ widthPx: z.number().min(0).max(200), ink: styledInk }),
})
export type Shape = z.infer<typeof shape>
