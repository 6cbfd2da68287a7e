import * as z from 'zod'
import { liveFields, liveTemplate } from '../../../board/liveFields.ts'
import { eventKind, eventKinds } from '../../../events/kinds.ts'

/** Rows that stand one under the other, or one behind the other and run past. */
export const listForms = ['standing', 'running'] as const

/** What happened last. */
export const list = z.object({
  ...liveFields,
  kind: z.literal('list'),
  kinds: z.array(eventKind).min(1, 'a list shows one kind at least').max(eventKinds.length),
  /** Money below that is left out; minor units of the channel. */
  leastMinor: z.int().min(0).max(1_000_000_000),
  most: z.int().min(1).max(20),
  /** Words of its own for kinds; others say what they usually say. */
  words: z.partialRecord(eventKind, liveTemplate),
  hasAges: z.boolean(),
  form: z.enum(listForms),
  newest: z.enum(['top', 'bottom']),
  gapPx: z.number().min(0).max(400),
  /** The older, the paler. */
  pales: z.boolean(),
  /** For *running*: towards the left. */
  pxPerS: z.number().min(-4000).max(4000),
})
export type List = z.infer<typeof list>
