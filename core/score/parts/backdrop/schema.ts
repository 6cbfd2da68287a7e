import * as z from 'zod'
import { partId } from '../../../composition/clip.ts'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { styledInk } from '../../../look/schema.ts'

/** A plate behind other parts: as large as what it hugs plus padding, or of a fixed size when it hugs nothing. */
export const backdrop = z.object({
  ...visibleBase,
  kind: z.literal('backdrop'),
  hugs: z.array(partId).max(20),
  /** Used when `hugs` is empty. */
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  paddingPx: z.number().min(0).max(400),
  cornerPx: z.number().min(0).max(400),
  ink: styledInk,
})
export type Backdrop = z.infer<typeof backdrop>
