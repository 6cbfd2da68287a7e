import * as z from 'zod'

/** Quiet time between two plays. */
export const gapSentence = z.object({
  rule: z.literal('gap'),
  isOn: z.boolean(),
  ms: z.int().min(0).max(60_000),
})
