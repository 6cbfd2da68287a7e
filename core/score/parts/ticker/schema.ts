import * as z from 'zod'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { textStyle } from '../../../text/style.ts'

/** A line that runs through a window again and again. */
export const ticker = z.object({
  ...visibleBase,
  ...textStyle,
  kind: z.literal('ticker'),
  template: z.string().max(1000, 'a running line holds at most 1,000 letters'),
  widthPx: z.number().min(20).max(8000),
  /** Towards the left; negative runs to the right. */
  pxPerS: z.number().min(-4000).max(4000),
  gapPx: z.number().min(0).max(4000),
})
export type Ticker = z.infer<typeof ticker>
