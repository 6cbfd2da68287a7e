import * as z from 'zod'
import { eventKind } from '../../events/kinds.ts'
import type { PlayFacts } from '../facts.ts'

/** What a sentence of a policy is about: a kind, from so much on, or one case. */
const target = z.union([
  z.object({ kind: eventKind, from: z.int().min(1).max(1_000_000_000).nullable() }),
  z.object({ caseId: z.string().min(1).max(60) }),
])
export type Target = z.infer<typeof target>

/** Some plays go before others, or after them. */
export const orderSentence = z.object({
  rule: z.literal('order'),
  isOn: z.boolean(),
  of: z.array(target).min(1).max(20),
  /** +2: first, −2: last. */
  steps: z.int().min(-2).max(2),
})
export type OrderSentence = z.infer<typeof orderSentence>

/** Whatever waits so long is taken as one step more. */
export const stepMs = 60_000

/** Whether a sentence is about a play. */
export function isMeant(facts: Pick<PlayFacts, 'kind' | 'variationId' | 'amount'>, of: readonly Target[]): boolean {
  return of.some((each) =>
    'caseId' in each
      ? each.caseId === facts.variationId
      : each.kind === facts.kind && (each.from === null || (facts.amount !== null && facts.amount >= each.from)),
  )
}

/** Of several sentences about a play the first counts; 0 where there is none. */
export function priorityOf(facts: PlayFacts | null, sentences: readonly OrderSentence[]): number {
  return facts === null ? 0 : (sentences.find(({ of }) => isMeant(facts, of))?.steps ?? 0)
}

/**
 * Where a play stands among all: as if it had come a minute earlier for each step. As all that waits grows older alike, who
 * stands before whom never changes while they wait: a play is passed only by those that came within four minutes after it,
 * so that none starves.
 */
export const rankOf = (enqueuedAtMs: number, priority: number): number => enqueuedAtMs - priority * stepMs
