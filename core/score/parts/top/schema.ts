import * as z from 'zod'
import { liveFields, period } from '../../../board/liveFields.ts'
import { moneyKinds } from '../../../events/moneyKinds.ts'

/** Who gave most. */
export const top = z.object({
  ...liveFields,
  kind: z.literal('top'),
  kinds: z.array(z.enum(moneyKinds)).min(1, 'who gave most of what?').max(moneyKinds.length),
  since: period,
  most: z.int().min(1).max(20),
  hasRanks: z.boolean(),
  gapPx: z.number().min(0).max(400),
})
export type Top = z.infer<typeof top>
