import * as z from 'zod'
import { partId } from '../../../composition/clip.ts'
import { mediaId } from '../../../composition/mediaId.ts'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { styledInk, styledType } from '../../../look/schema.ts'

export const prizesMax = 12

/** Something that can be won. Among those that are not the rare one, each is drawn as often as its weight says. */
const prize = z.object({
  id: partId,
  name: z.string().trim().min(1, 'a prize has a name').max(40, 'the name of a prize has at most 40 letters'),
  mediaId: mediaId.nullable(),
  weight: z.int().min(1).max(1000),
})
export type Prize = z.infer<typeof prize>

/**
 * A prize draw: loaves in paper stand on a shelf, a baker's peel slides them along stroke by stroke, and the one that
 * lies on it in the end is lifted to its spot and opens. Which one that is follows from the event; the motion lands on it.
 */
export const draw = z.object({
  ...visibleBase,
  kind: z.literal('draw'),
  /** Of the shelf. */
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  prizes: z
    .array(prize)
    .min(2, 'a draw has two prizes at least')
    .max(prizesMax, `a draw has at most ${prizesMax} prizes`),
  /** One of them that is drawn so often, whatever the weights say; null: none. */
  rare: z.object({ prizeId: partId, percent: z.number().min(0.01).max(99) }).nullable(),
  /** How long the peel slides, how long the packet is lifted and opens, and how long the prize is seen then. */
  slideMs: z.int().min(500).max(30_000),
  openMs: z.int().min(200).max(10_000),
  showMs: z.int().min(200).max(30_000),
  strokes: z.int().min(1).max(12),
  /** The loaves go to the left. */
  isMirrored: z.boolean(),
  shelfInk: styledInk,
  frameInk: styledInk,
  packetInk: styledInk,
  rareInk: styledInk,
  peelInk: styledInk,
  /** Of the names on packets; of the words on the face and under the prize. */
  labelInk: styledInk,
  ink: styledInk,
  type: styledType,
  /** Words that run along the face of the shelf; empty: none. To the left; negative runs to the right. */
  face: z.object({ template: z.string().max(300), pxPerS: z.number().min(-2000).max(2000) }),
  /** One each: when a stroke begins, when the packet opens, and instead of that for the rare one. */
  sounds: z.object({ stroke: mediaId.nullable(), open: mediaId.nullable(), rare: mediaId.nullable() }),
  trimDb: z.number().min(-60).max(12),
  /** Where the prize lands: from the middle of the shelf, in canvas pixels; and how much larger it is there. */
  landing: z.object({
    xPx: z.number().min(-8000).max(8000),
    yPx: z.number().min(-8000).max(8000),
    scaleRatio: z.number().min(0.5).max(4),
  }),
})
export type DrawPart = z.infer<typeof draw>
