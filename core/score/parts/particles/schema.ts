import * as z from 'zod'
import { mediaId } from '../../../composition/mediaId.ts'
import { partId } from '../../../composition/clip.ts'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { styledInk } from '../../../look/schema.ts'

export const maxParticles = 5000

const range = (low: number, high: number) =>
  z
    .object({ from: z.number().min(low).max(high), to: z.number().min(low).max(high) })
    .refine((span) => span.from <= span.to, 'the first is at most the second')

export const spriteForms = ['dot', 'square', 'strip', 'star', 'spark'] as const

/** What flies: a small form in a colour, a picture, or the emotes of the event (nothing where it has none). */
const sprite = z.discriminatedUnion('from', [
  z.object({ from: z.literal('form'), form: z.enum(spriteForms), ink: styledInk }),
  z.object({ from: z.literal('picture'), mediaId }),
  z.object({ from: z.literal('emotes') }),
])
export type Sprite = z.infer<typeof sprite>

/** Where in its area particles begin. */
export const emitters = ['middle', 'everywhere', 'topEdge', 'bottomEdge', 'leftEdge', 'rightEdge'] as const

/** Many small things that fly, one general emitter. Angles: 0° to the right, 90° down. Speeds in canvas pixels. */
export const particles = z.object({
  ...visibleBase,
  kind: z.literal('particles'),
  /** Where they begin: the whole canvas, a named zone, or a box of its own (place, width, height). */
  area: z.discriminatedUnion('of', [
    z.object({ of: z.literal('canvas') }),
    z.object({ of: z.literal('zone'), zoneId: partId }),
    z.object({ of: z.literal('own') }),
  ]),
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  emitter: z.enum(emitters),
  /** How many there are in all. */
  count: z.int().min(1).max(maxParticles, `at most ${maxParticles} particles`),
  /** Over how long they are let go; 0 lets all go at once. */
  overMs: z.int().min(0).max(60_000),
  lifeMs: range(50, 20_000),
  speedPxPerS: range(0, 6000),
  directionDeg: z.number().min(-360).max(360),
  spreadDeg: z.number().min(0).max(360),
  gravityPxPerS2: z.number().min(-6000).max(6000),
  windPxPerS: z.number().min(-4000).max(4000),
  /** How quickly air slows them: the share of speed lost is 1 − e^(−drag) in a second. */
  dragPerS: z.number().min(0).max(20),
  spinDegPerS: range(-2000, 2000),
  sizePx: range(1, 1000),
  /** The size at the end of a life, as a ratio of the size at its beginning. */
  endSizeRatio: z.number().min(0).max(4),
  /** Over which share of its life a particle comes, and over which it goes. */
  fadeInRatio: z.number().min(0).max(1),
  fadeOutRatio: z.number().min(0).max(1),
  sprites: z.array(sprite).min(1).max(12),
  /** Multiplies how many there are and how fast they fly. */
  strength: z.number().min(0.1).max(3),
  /** The same seed flies the same way; null draws anew for each event. */
  seed: z.int().min(0).max(4_294_967_295).nullable(),
})
export type Particles = z.infer<typeof particles>
