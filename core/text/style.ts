import * as z from 'zod'
import { styledInk, styledShadow, styledType } from '../look/schema.ts'
import { letterMotion } from '../motion/letters.ts'
import { readAlong } from './readAlongSchema.ts'

/**
 * What happens to text that is wider than its room: it shrinks, breaks into lines (and then shrinks), or scrolls past.
 */
export const textFits = ['shrink', 'wrap', 'scroll'] as const
export type TextFit = (typeof textFits)[number]
export const textAligns = ['start', 'middle', 'end'] as const

/** How text looks and behaves; shared by every part that shows words. */
export const textStyle = {
  type: styledType,
  sizePx: z.number().min(8).max(600),
  /** Long text shrinks down to this size before it is cut. */
  floorPx: z.number().min(8).max(600),
  /** The widest the text may grow; it never leaves the canvas either. */
  maxWidthPx: z.number().min(20).max(8000),
  fit: z.enum(textFits),
  /** For `wrap`: the most lines there may be. */
  maxLines: z.int().min(1).max(12),
  align: z.enum(textAligns),
  lineHeight: z.number().min(0.8).max(3),
  letterSpacingEm: z.number().min(-0.2).max(1),
  isUpperCase: z.boolean(),
  ink: styledInk,
  /** Variables are drawn in this colour. */
  highlightInk: styledInk,
  outline: z.object({ widthPx: z.number().min(0).max(40), ink: styledInk }),
  /** Null: none. */
  shadow: styledShadow.nullable(),
  letters: letterMotion.nullable(),
  /** Null: words do not light up as they are read. */
  readAlong: readAlong.nullable(),
}
export type TextStyle = { [K in keyof typeof textStyle]: z.infer<(typeof textStyle)[K]> }
