import * as z from 'zod'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { textStyle } from '../../../text/style.ts'

/** A line of text with variables, e.g. `{name} joins the night shift`. */
export const line = z.object({
  ...visibleBase,
  ...textStyle,
  kind: z.literal('line'),
  template: z.string().max(1000, 'a line holds at most 1,000 letters'),
})
export type Line = z.infer<typeof line>
