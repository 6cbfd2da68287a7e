import * as z from 'zod'
import { liveFields } from '../../../board/liveFields.ts'

/** A sponsor's line: it comes when its turn is there, stands for a while, and goes. Between lines nothing is there. */
export const sponsor = z.object({
  ...liveFields,
  kind: z.literal('sponsor'),
  /** How long each line stands. */
  standsS: z.int().min(5).max(300),
  hasPicture: z.boolean(),
})
export type Sponsor = z.infer<typeof sponsor>
