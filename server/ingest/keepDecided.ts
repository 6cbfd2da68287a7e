import type { Database } from '../db/handle.ts'
import { insertDecidedEvents, listKnownEventIds, type FeedTally } from '../db/queries/decidedEvents.ts'
import type { EffectRow } from '../db/queries/effects.ts'
import type { Decided, EarnedPlay } from './decideEvents.ts'

/** What became durable of it. */
export interface KeptEvents {
  acceptedIds: string[]
  /** The events that are new, without tests. */
  events: Decided['rows']['events']
  repeatedCount: number
  effects: EffectRow[]
  plays: EarnedPlay[]
  /** Channels in which something is set off by it. */
  callsIn: string[]
  /** Channels of which a goal has another amount by it. */
  countedIn: string[]
}

/**
 * Makes several pieces of input durable in one write. All of it, or nothing.
 * @param isAgain an earlier try may have been written without anybody knowing: what stands there under the very ids of
 *   these pieces is theirs, and new
 * @param wake said with the commit to those who carry out lanes elsewhere
 */
export async function keepDecided(
  db: Database,
  pieces: readonly Decided[],
  isAgain = false,
  wake: string | null = null,
): Promise<KeptEvents[]> {
  const rows = {
    events: pieces.flatMap((piece) => piece.rows.events),
    effects: pieces.flatMap((piece) => piece.rows.effects),
    plays: pieces.flatMap((piece) => piece.rows.plays),
    runs: pieces.flatMap((piece) => piece.rows.runs),
    earned: pieces.flatMap((piece) => piece.rows.earned),
    counted: pieces.flatMap((piece) => piece.rows.counted),
    bases: eachOnce(pieces.flatMap((piece) => piece.rows.bases)),
    tallies: mergeTallies(pieces.flatMap((piece) => piece.rows.tallies)),
  }
  const fresh = await insertDecidedEvents(db, rows, wake)
  if (isAgain) {
    const ids = pieces.flatMap((piece) => piece.rows.events.map(({ id }) => id))
    for (const id of await listKnownEventIds(db, ids)) fresh.add(id)
  }
  return pieces.map(({ rows, plays }) => {
    const acceptedIds = rows.events.map((event) => event.id).filter((id) => fresh.has(id))
    return {
      acceptedIds,
      events: rows.events.filter(({ id, isTest }) => !isTest && fresh.has(id)),
      repeatedCount: rows.events.length - acceptedIds.length,
      effects: rows.effects.filter((each) => fresh.has(each.eventId)),
      plays: plays.filter((each) => fresh.has(each.eventId)),
      callsIn: channelsOf(rows.runs.filter((each) => fresh.has(each.eventId))),
      countedIn: channelsOf(rows.counted.filter((each) => fresh.has(each.eventId))),
    }
  })
}

/** What many pieces say, said once. */
const eachOnce = <T>(rows: readonly T[]): T[] => [...new Map(rows.map((row) => [JSON.stringify(row), row])).values()]

const channelsOf = (rows: readonly { channelId: string }[]) => [...new Set(rows.map(({ channelId }) => channelId))]

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
