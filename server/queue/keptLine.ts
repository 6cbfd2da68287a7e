import type { PlayFacts } from '../../core/queue/facts.ts'
import { plainPolicy, readyPolicy, type BoxPolicy, type QueuePolicy } from '../../core/queue/policy.ts'
import type { Ticket, Together } from '../../core/queue/ticket.ts'
import type { Members, PlayRow } from '../db/queries/plays.ts'
import type { Clock } from '../system/clock.ts'

/** How what is kept of a line becomes a line again. */

/** The policy of a box, ready to be asked; null: the box was never put on air. */
export const asReady = (policy: BoxPolicy | null): QueuePolicy => (policy ? readyPolicy(policy) : plainPolicy)

/** A kept play as the queue knows it, by the steady clock. @param members what it had taken in before the server stopped */
export function ticketOf(
  { id, enqueuedAt, lengthMs, approval, facts, together: kept }: PlayRow,
  clock: Pick<Clock, 'steadyOf'>,
  members?: Members,
): Ticket {
  const together = members ? withMembers(facts, members) : kept
  return {
    playId: id,
    enqueuedAtMs: clock.steadyOf(enqueuedAt.getTime()),
    lengthMs: (together && facts?.several?.lengthMs) ?? lengthMs,
    isAwaiting: approval === 'awaiting',
    facts,
    ...(together ? { together } : {}),
    ...(members && members.brought > 0 ? { brought: members.brought } : {}),
  }
}

/** What a play brings with those that were taken in; null: there were none. */
function withMembers(facts: PlayFacts | null, { count, total }: Members): Together | null {
  if (count === 0) return null
  const own = facts?.amount ?? null
  return { count: count + 1, total: own === null && total === null ? null : (own ?? 0) + (total ?? 0) }
}
