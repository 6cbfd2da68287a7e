import * as z from 'zod'
import { liveFields, liveTemplate, period } from '../../../board/liveFields.ts'
import { eventKind, eventKinds } from '../../../events/kinds.ts'

/** A count of anything that happens. */
export const tally = z.object({
  ...liveFields,
  kind: z.literal('tally'),
  kinds: z.array(eventKind).min(1, 'what is counted?').max(eventKinds.length),
  /** Of chat commands only those of this name, without the exclamation mark; null: all. */
  command: z
    .string()
    .regex(/^[\p{L}\p{N}_-]{1,40}$/u, 'a command is one word')
    .nullable(),
  since: period,
  says: liveTemplate,
  countsMs: z.int().min(0).max(10_000),
})
export type Tally = z.infer<typeof tally>
