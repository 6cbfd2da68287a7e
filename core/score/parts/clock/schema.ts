import * as z from 'zod'
import { liveFields, liveTemplate } from '../../../board/liveFields.ts'

const moment = z
  .int()
  .min(0)
  .max(Date.UTC(2200, 0, 1))

/** Down to a moment, up from one, or what time it is. */
export const clock = z.object({
  ...liveFields,
  kind: z.literal('clock'),
  counts: z.discriminatedUnion('way', [
    z.object({ way: z.literal('down'), toMs: moment }),
    /** From when on; null: since the broadcast began. */
    z.object({ way: z.literal('up'), fromMs: moment.nullable() }),
    z.object({ way: z.literal('time') }),
  ]),
  says: liveTemplate,
  /** Once it has counted down; empty: it goes on to say nothing is left. */
  whenOver: liveTemplate,
})
export type Clock = z.infer<typeof clock>
