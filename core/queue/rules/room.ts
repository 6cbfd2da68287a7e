import * as z from 'zod'

/** More never wait. */
export const roomSentence = z.object({
  rule: z.literal('room'),
  isOn: z.boolean(),
  atMost: z.int().min(1).max(100_000),
})
