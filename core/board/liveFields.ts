import * as z from 'zod'
import { visibleBase } from '../composition/visiblePart.ts'
import { styledInk } from '../look/schema.ts'
import { textStyle } from '../text/style.ts'

/** What lies under the words of a part that is kept up to date; null: nothing. */
const plate = z.object({
  ink: styledInk,
  opacity: z.number().min(0).max(1),
  radiusPx: z.number().min(0).max(400),
})

const { type, sizePx, align, lineHeight, letterSpacingEm, isUpperCase, ink, highlightInk, outline, shadow } = textStyle

/** What every part has that a board keeps up to date: a room of its own, words in a style, and what lies under them. */
export const liveFields = {
  ...visibleBase,
  widthPx: z.number().min(20).max(8000),
  heightPx: z.number().min(10).max(8000),
  padPx: z.number().min(0).max(400),
  plate: plate.nullable(),
  ...{ type, sizePx, align, lineHeight, letterSpacingEm, isUpperCase, ink, highlightInk, outline, shadow },
}
export type LiveFields = { [K in keyof typeof liveFields]: z.infer<(typeof liveFields)[K]> }

/** From when on something is counted. `stream`: since the broadcast began that goes on, or was the last. */
export const periods = ['stream', 'day', 'week', 'month', 'ever'] as const
export const period = z.enum(periods)
export type Period = (typeof periods)[number]

/** Words with variables that a part fills again and again. */
export const liveTemplate = z.string().max(200, 'at most 200 letters')
