import * as z from 'zod'
import { noPoints, pointsRules } from '../points/schema.ts'

/** What all triggers of a channel share. */
export const callSettings = z.object({
  /** What stands in front of a command. */
  prefix: z
    .string()
    .min(1)
    .max(3)
    .regex(/^[^\s\p{L}\p{N}]+$/u, 'a prefix is one to three signs, no letters'),
  /** The channel's own points. */
  points: pointsRules,
  /** The words that answer with the address of the list for viewers; without the prefix. Empty: nothing answers. */
  listWord: z.string().trim().max(40),
})
export type CallSettings = z.infer<typeof callSettings>

export const usualCalls: CallSettings = { prefix: '!', points: noPoints, listWord: 'commands' }
