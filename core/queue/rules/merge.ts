import * as z from 'zod'
import { eventKind } from '../../events/kinds.ts'
import type { PlayFacts } from '../facts.ts'
import type { Ticket, Together } from '../ticket.ts'

/** Plays of a kind that wait and came shortly after one another become one. */
export const mergeSentence = z.object({
  rule: z.literal('merge'),
  isOn: z.boolean(),
  kinds: z.array(eventKind).min(1),
  withinMs: z.int().min(1_000).max(300_000),
  /** What brings as much or more stays alone; null: whatever it brings. */
  below: z.int().min(1).max(1_000_000_000).nullable(),
  /** Also where a viewer wrote something, which is not shown then. */
  isEvenWritten: z.boolean(),
})
export type MergeSentence = z.infer<typeof mergeSentence>

/** The sentence by which a play may be shared with others; null: it stays alone. Of two about its kind the first counts. */
export function mergeFor(facts: PlayFacts | null, sentences: readonly MergeSentence[]): MergeSentence | null {
  if (!facts?.several || facts.isTest) return null
  const sentence = sentences.find(({ kinds }) => kinds.includes(facts.kind))
  if (!sentence || (facts.hasWords && !sentence.isEvenWritten)) return null
  if (sentence.below === null) return sentence
  return facts.amount !== null && facts.amount < sentence.below ? sentence : null
}

/** Plays with the same key may become one: of the same alert, kind and priority. */
export const mergeKeyOf = ({ alertId, kind }: PlayFacts, priority: number): string => `${alertId} ${kind} ${priority}`

/** A play with one more that is shown with it. */
export function withMember(ticket: Ticket, member: Ticket): Ticket {
  const { facts } = ticket
  if (!facts?.several) return ticket
  return {
    ...ticket,
    together: sumOf(alone(ticket), alone(member)),
    lengthMs: facts.several.lengthMs,
    facts: { ...facts, shortestMs: facts.several.shortestMs },
  }
}

/** What a play brings with those that are shown with it. */
export const alone = ({ together, facts }: Ticket): Together => together ?? { count: 1, total: facts?.amount ?? null }

const sumOf = (a: Together, b: Together): Together => ({
  count: a.count + b.count,
  total: a.total === null && b.total === null ? null : (a.total ?? 0) + (b.total ?? 0),
})
