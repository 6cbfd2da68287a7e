import * as z from 'zod'
import { eventKind } from '../../events/kinds.ts'
import type { PlayFacts } from '../facts.ts'

/** What there is nothing to see of sounds over others, and does not wait for the screen. */
export const besideSentence = z.object({
  rule: z.literal('beside'),
  isOn: z.boolean(),
  /** Of these kinds only the sound is played. */
  kinds: z.array(eventKind),
  atMost: z.int().min(1).max(8),
})
export type BesideSentence = z.infer<typeof besideSentence>

export function isHeardBeside(facts: PlayFacts | null, sentence: BesideSentence | null): boolean {
  return sentence !== null && facts !== null && (facts.isOnlyHeard || sentence.kinds.includes(facts.kind))
}
