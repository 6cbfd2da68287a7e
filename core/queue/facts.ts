import * as z from 'zod'
import { eventKind } from '../events/kinds.ts'

/** What a policy asks of a play. Decided with it, kept with it, and never changed. */
export const playFacts = z.object({
  kind: eventKind,
  alertId: z.string(),
  variationId: z.string(),
  /**
   * What it brings that adds up: money in minor units of the channel's currency, gifts, points, guests. Null: nothing, or
   * money of a currency that has no rate.
   */
  amount: z.number().nullable(),
  /** A viewer wrote something with it. */
  hasWords: z.boolean(),
  /** The speech desk had something to say of what was written. */
  isFlagged: z.boolean(),
  /** Gifts that were given together: what announces them promises how many; those who receive them are told one by one. */
  gifts: z.object({ id: z.string(), isHead: z.boolean(), promised: z.number() }).nullable(),
  /** As short as it may be. */
  shortestMs: z.number(),
  /** How long its alert lasts for several at once; null: it has no case for that, or this one is not to be shared. */
  several: z.object({ lengthMs: z.number(), shortestMs: z.number() }).nullable(),
  /** There is nothing to see. */
  isOnlyHeard: z.boolean(),
  isTest: z.boolean(),
})
export type PlayFacts = z.infer<typeof playFacts>
