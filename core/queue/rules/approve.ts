import * as z from 'zod'
import { eventKind } from '../../events/kinds.ts'
import type { PlayFacts } from '../facts.ts'

/** Some plays are shown only once somebody lets them. */
export const approveSentence = z.object({
  rule: z.literal('approve'),
  isOn: z.boolean(),
  kinds: z.array(eventKind),
  /** Whatever the speech desk had something to say of. */
  isFlagged: z.boolean(),
  /** Who is not let by then is not shown. */
  withinMs: z.int().min(5_000).max(3_600_000),
})
export type ApproveSentence = z.infer<typeof approveSentence>

/** The sentence by which somebody has to let a play be shown; null: nobody has to. Of several the first counts. */
export function approvalFor(facts: PlayFacts | null, sentences: readonly ApproveSentence[]): ApproveSentence | null {
  if (!facts || facts.isTest) return null
  return sentences.find(({ kinds, isFlagged }) => kinds.includes(facts.kind) || (isFlagged && facts.isFlagged)) ?? null
}
