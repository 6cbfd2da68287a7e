import * as z from 'zod'
import { eventKind, kindOf, type EventKind } from '../events/kinds.ts'

const amount = z.int().min(0).max(1_000_000)
const word = z.string().trim().min(1).max(30)

/** How viewers come to the channel's own points, and what these are called. */
export const pointsRules = z.object({
  name: z.object({ one: word, many: word }),
  /** For being there: so many each time that so much time has passed. */
  presence: z
    .object({
      points: amount.min(1),
      everyMs: z
        .int()
        .min(60_000)
        .max(24 * 3_600_000),
    })
    .nullable(),
  /** For events of a kind; with `perMinor`: so many for each such amount of the channel's currency, in minor units. */
  earned: z
    .array(z.object({ kind: eventKind, points: amount, perMinor: z.int().min(1).max(1_000_000_000).nullable() }))
    .max(50)
    .refine((rules) => new Set(rules.map(({ kind }) => kind)).size === rules.length, 'each kind stands there once'),
})
export type PointsRules = z.infer<typeof pointsRules>

export const noPoints: PointsRules = { name: { one: 'point', many: 'points' }, presence: null, earned: [] }

/** Whether events of a kind carry an amount: only for these a rule can ask for so many per amount. */
export const hasAmount = (kind: EventKind): boolean => kindOf(kind).fields.some(({ field }) => field.type === 'money')
