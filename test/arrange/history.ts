import { sql } from 'drizzle-orm'
import type { DatabaseHandle } from '../../server/db/handle.ts'

interface HistoryWanted {
  events: number
  /** So many of the plays still wait; all others have ended. */
  waiting: number
  boxId: string
  versionId: string
  channelId?: string
}

/** Rows are made so many at a time. */
const atOnce = 50_000

/**
 * A history of follows with decisions and plays of one box, made in the database itself: the newest a minute ago, the
 * oldest a year.
 * @returns the ids of the plays that wait
 */
export async function fillHistory(
  { db, execute }: DatabaseHandle,
  { events, waiting, boxId, versionId, channelId = 'channel-1' }: HistoryWanted,
): Promise<string[]> {
  for (let from = 0; from < events; from += atOnce) {
    const to = Math.min(events, from + atOnce) - 1
    const when = `now() - interval '1 minute' - (${events} - n) * (interval '1 year' / ${events})`
    const isWaiting = `n >= ${events - waiting}`
    await execute(`
      insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at, is_test)
      select 'past-event-' || n, '${channelId}', 'feed:feed-1', 'past-' || n, 'follow',
        jsonb_build_object('viewer', jsonb_build_object('id', 'v' || (n % 5000), 'name', 'kneadybeast ' || n)), ${when}, ${when}, false
      from generate_series(${from}, ${to}) as n`)
    await execute(`
      insert into effect (id, event_id, channel_id, lane, kind, decided, outcome, reason, outcome_at)
      select 'past-play-' || n, 'past-event-' || n, '${channelId}', 'box:${boxId}', 'alert', 'The everyday case.',
        case when ${isWaiting} then null else 'played' end, '', case when ${isWaiting} then null else ${when} end
      from generate_series(${from}, ${to}) as n`)
    await execute(`
      insert into play (id, box_id, event_id, version_id, alert_id, variation_id, variation_name, state, length_ms, is_test, shown_count, enqueued_at, started_at)
      select 'past-play-' || n, '${boxId}', 'past-event-' || n, '${versionId}', 'follow', 'everyday', 'Everyday',
        case when ${isWaiting} then 'waiting' else 'over' end, 6000, false, 1, ${when}, case when ${isWaiting} then null else ${when} end
      from generate_series(${from}, ${to}) as n`)
  }
  const answer = await db.execute(sql`select id from play where state = 'waiting' and id like 'past-play-%'`)
  return (answer as unknown as { rows: { id: string }[] }).rows.map(({ id }) => id)
}
