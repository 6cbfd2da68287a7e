import * as z from 'zod'
import { visibleBase } from '../../composition/visiblePart.ts'
import { styledInk, styledType } from '../../look/schema.ts'

/** One line of text with variables, e.g. `{name} joins the night shift`. */
export const line = z.object({
  ...visibleBase,
  kind: z.literal('line'),
  template: z.string().max(400),
  type: styledType,
  sizePx: z.number().min(8).max(600),
  /** Long text shrinks down to this size before it is cut. */
  floorPx: z.number().min(8).max(600),
  /** The widest the line may grow; it never leaves the canvas either. */
  maxWidthPx: z.number().min(20).max(8000),
  ink: styledInk,
  /** Variables are drawn in this colour. */
  highlightInk: styledInk,
  outline: z.object({ widthPx: z.number().min(0).max(40), ink: styledInk }),
})
export type Line = z.infer<typeof line>
