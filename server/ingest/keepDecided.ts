import type { Database } from '../db/handle.ts'
import { insertDecidedEvents, listKnownEventIds, type FeedTally } from '../db/queries/decidedEvents.ts'
import type { DecisionRow } from '../db/queries/events.ts'
import type { Decided, EarnedPlay } from './decideEvents.ts'

/** What became durable of it. */
export interface KeptEvents {
  acceptedIds: string[]
  repeatedCount: number
  decisions: DecisionRow[]
  plays: EarnedPlay[]
}

/**
 * Makes several pieces of input durable in one write. All of it, or nothing.
 * @param isAgain an earlier try may have been written without anybody knowing: what stands there under the very ids of
 *   these pieces is theirs, and new
 */
export async function keepDecided(db: Database, pieces: readonly Decided[], isAgain = false): Promise<KeptEvents[]> {
  const fresh = await insertDecidedEvents(db, {
    events: pieces.flatMap((piece) => piece.rows.events),
    decisions: pieces.flatMap((piece) => piece.rows.decisions),
    plays: pieces.flatMap((piece) => piece.rows.plays),
    tallies: mergeTallies(pieces.flatMap((piece) => piece.rows.tallies)),
  })
  if (isAgain) {
    const ids = pieces.flatMap((piece) => piece.rows.events.map(({ id }) => id))
    for (const id of await listKnownEventIds(db, ids)) fresh.add(id)
  }
  return pieces.map(({ rows, plays }) => {
    const acceptedIds = rows.events.map((event) => event.id).filter((id) => fresh.has(id))
    return {
      acceptedIds,
      repeatedCount: rows.events.length - acceptedIds.length,
      decisions: rows.decisions.filter((each) => fresh.has(each.eventId)),
      plays: plays.filter((each) => fresh.has(each.show.eventId)),
    }
  })
}

/** One tally for each feed: a statement may touch a row only once. */
function mergeTallies(tallies: readonly FeedTally[]): FeedTally[] {
  const byFeed = new Map<string, FeedTally>()
  for (const tally of tallies) {
    const before = byFeed.get(tally.feedId)
    byFeed.set(
      tally.feedId,
      before
        ? {
            ...tally,
            total: before.total + tally.total,
            rejected: before.rejected + tally.rejected,
            lagMs: tally.lagMs ?? before.lagMs,
          }
        : tally,
    )
  }
  return [...byFeed.values()]
}
