import * as z from 'zod'
import { moneyKinds } from '../events/moneyKinds.ts'

const weight = z.int().min(0).max(1000)

/** What a goal counts. Money is counted in minor units of the channel’s currency, everything else in ones. */
export const goalMeasure = z.discriminatedUnion('of', [
  z.object({ of: z.literal('money'), kinds: z.array(z.enum(moneyKinds)).min(1).max(moneyKinds.length) }),
  z.object({ of: z.literal('follows') }),
  z.object({
    of: z.literal('subscriptions'),
    /** What one of each tier counts. */
    weights: z.object({ 1: weight, 2: weight, 3: weight }),
    renewals: z.boolean(),
    gifts: z.boolean(),
  }),
  z.object({ of: z.literal('members'), renewals: z.boolean() }),
  /** Of applause. */
  z.object({ of: z.literal('points') }),
  /** Those who came along with raids. */
  z.object({ of: z.literal('party') }),
])
export type GoalMeasure = z.infer<typeof goalMeasure>

const most = 1_000_000_000_000
const amount = z.int().min(0).max(most)
const moment = z
  .int()
  .min(0)
  .max(Date.UTC(2200, 0, 1))
const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/)

/** Something that a channel and its viewers want to reach together. */
export const goal = z
  .object({
    id,
    title: z.string().trim().min(1, 'a goal has a title').max(80),
    measure: goalMeasure,
    /** Feeds whose events count, by what their events name as source; null: all. */
    sources: z.array(z.string().min(1).max(200)).min(1).max(50).nullable(),
    /** How much is there at the start. */
    startAmount: amount,
    target: amount.min(1),
    /** What may be reached beyond it, the nearest first. */
    stretches: z.array(amount).max(5),
    fromMs: moment,
    /** Null: until somebody ends it. */
    untilMs: moment.nullable(),
    /**
     * At its end: nothing, or the next goal begins (also where all of this one is reached). A goal that repeats counts in
     * rounds: each time that its target is full it begins anew with what is over.
     */
    then: z.discriminatedUnion('do', [
      z.object({ do: z.literal('stop') }),
      z.object({ do: z.literal('next'), goalId: id }),
      z.object({ do: z.literal('repeat') }),
    ]),
  })
  .superRefine(({ target, stretches, fromMs, untilMs, then, id: own }, context) => {
    const fault = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
    if (untilMs !== null && untilMs <= fromMs) fault('untilMs', 'it ends before it begins')
    if (stretches.some((each, at) => each <= (stretches[at - 1] ?? target)))
      fault('stretches', 'each lies beyond the target, and beyond the one before it')
    if (then.do === 'repeat' && stretches.length > 0) fault('stretches', 'a goal that repeats has none')
    if (then.do === 'next' && then.goalId === own) fault('then', 'a goal is not its own next one; let it repeat')
  })
export type Goal = z.infer<typeof goal>

/** All that can be reached, the nearest first. */
export const targetsOf = ({ target, stretches }: Pick<Goal, 'target' | 'stretches'>): number[] => [target, ...stretches]
