import * as z from 'zod'
import { eventKind } from '../../events/kinds.ts'
import type { PlayFacts } from '../facts.ts'
import type { AgeClock } from '../state.ts'

/** What has waited so long is let go. */
export const ageSentence = z.object({
  rule: z.literal('age'),
  isOn: z.boolean(),
  /** Null: whatever it is. */
  kinds: z.array(eventKind).min(1).nullable(),
  ms: z.int().min(5_000).max(86_400_000),
})
export type AgeSentence = z.infer<typeof ageSentence>

/**
 * After how long a play is let go; Infinity: never. A sentence that names its kind counts before one about all, and of two
 * alike the first.
 */
export function ageLimitMs(facts: Pick<PlayFacts, 'kind'> | null, sentences: readonly AgeSentence[]): number {
  const named = facts && sentences.find(({ kinds }) => kinds?.includes(facts.kind))
  return (named ?? sentences.find(({ kinds }) => kinds === null))?.ms ?? Infinity
}

/** What the age clock shows: it stands still while the line does, so that what is held grows no older. */
export function ageAtMs({ stoodMs, sinceMs }: AgeClock, nowMs: number): number {
  return (sinceMs === null ? nowMs : Math.min(nowMs, sinceMs)) - stoodMs
}

/** When it will show that, if it goes on; null while it stands still. */
export function whenAgeMs({ stoodMs, sinceMs }: AgeClock, ageMs: number): number | null {
  return sinceMs === null ? ageMs + stoodMs : null
}

/** The clock as it goes on from now, or stands still. A moment before the last is taken for it. */
export function turnClock(clock: AgeClock, isStill: boolean, nowMs: number): AgeClock {
  const { stoodMs, sinceMs } = clock
  if (isStill === (sinceMs !== null)) return clock
  return isStill
    ? { stoodMs, sinceMs: nowMs }
    : { stoodMs: stoodMs + Math.max(0, nowMs - (sinceMs ?? nowMs)), sinceMs: null }
}
