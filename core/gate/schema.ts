import * as z from 'zod'

const dayMs = 86_400_000
const count = z.int().min(1).max(1_000_000)
const waitMs = z
  .int()
  .min(0)
  .max(30 * dayMs)
/** Minutes since midnight on the channel's clock. */
const minute = z
  .int()
  .min(0)
  .max(24 * 60 - 1)

/** Roles that a platform gives viewers, as the gate knows them. */
export const viewerRoles = ['subscriber', 'vip', 'moderator'] as const

/** One thing that is asked of whoever sets a trigger off. */
export const whoTest = z.discriminatedUnion('is', [
  z.object({ is: z.literal('role'), role: z.enum(viewerRoles) }),
  z.object({ is: z.literal('tier'), atLeast: z.int().min(1).max(3) }),
  z.object({ is: z.literal('months'), atLeast: count }),
  /** Nobody of that name has set this off before. */
  z.object({ is: z.literal('firstTime') }),
  z.object({ is: z.literal('named'), names: z.array(z.string().trim().min(1).max(100)).min(1).max(200) }),
])
export type WhoTest = z.infer<typeof whoTest>

/** What a viewer is asked for. */
const asked = z.discriminatedUnion('as', [
  z
    .object({
      as: z.literal('text'),
      minLetters: z.int().min(1).max(500),
      maxLetters: z.int().min(1).max(500),
      /** Which letters it may have: any, those of a script and blanks, or figures too. */
      letters: z.enum(['any', 'letters', 'lettersAndFigures']),
    })
    .refine(({ minLetters, maxLetters }) => minLetters <= maxLetters, 'the shortest is longer than the longest'),
  z.object({ as: z.literal('choice'), choices: z.array(z.string().trim().min(1).max(100)).min(1).max(50) }),
])
export type Asked = z.infer<typeof asked>

/** Who may set a trigger off, how often, for what. Null: no such limit. Times in milliseconds. */
export const gate = z.object({
  /** Between these on the channel's clock, on these weekdays (0 is Monday); over midnight where the end is earlier. */
  hours: z.object({ from: minute, until: minute, weekdays: z.array(z.int().min(0).max(6)).min(1).max(7) }).nullable(),
  /** Only while the studio shows one of these. */
  scenes: z.array(z.string().min(1).max(200)).min(1).max(50).nullable(),
  who: z.object({ match: z.enum(['all', 'any']), of: z.array(whoTest).min(1).max(20) }).nullable(),
  asked: asked.nullable(),
  /** How long nobody, and how long the same viewer, can set it off again. */
  againAfter: z.object({ allMs: waitMs, viewerMs: waitMs }),
  /** How often in one stream. */
  perStream: z.object({ all: count.nullable(), viewer: count.nullable() }),
  /** How many there are in all; how many are left is kept beside. */
  stock: count.nullable(),
  /** So many different viewers have to ask for it within a time. */
  votes: z.object({ needed: z.int().min(2).max(100_000), withinMs: waitMs }).nullable(),
  /** In the channel's points. */
  cost: z.int().min(0).max(1_000_000_000),
})
export type Gate = z.infer<typeof gate>

/** Everybody, always, for nothing. */
export const openGate: Gate = {
  hours: null,
  scenes: null,
  who: null,
  asked: null,
  againAfter: { allMs: 0, viewerMs: 0 },
  perStream: { all: null, viewer: null },
  stock: null,
  votes: null,
  cost: 0,
}
