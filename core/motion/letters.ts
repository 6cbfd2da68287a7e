import * as z from 'zod'

/**
 * How letters move. The first ones bring each letter in, once; the others go on for as long as the text stays.
 */
export const letterMotionNames = [
  'typed',
  'rise',
  'tumble',
  'bloom',
  'ripple',
  'sway',
  'beat',
  'jolt',
  'glint',
] as const
export const letterMotionName = z.enum(letterMotionNames)
export type LetterMotionName = z.infer<typeof letterMotionName>

export const letterUnits = ['letter', 'word', 'line'] as const
export const letterOrders = ['start', 'end', 'centre', 'scattered'] as const

/** Motion of the pieces of a text, one after another. */
export const letterMotion = z.object({
  motion: letterMotionName,
  unit: z.enum(letterUnits),
  order: z.enum(letterOrders),
  /** From one piece to the next. */
  staggerMs: z.int().min(0).max(2000),
  /** How long one piece takes to come, or one round of a motion that goes on. */
  ms: z.int().min(20).max(10_000),
  /** 1 is as designed, 0 still, 3 wild. */
  strength: z.number().min(0).max(3),
})
export type LetterMotion = z.infer<typeof letterMotion>
