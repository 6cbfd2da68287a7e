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

/**
 * A history of everything, made in the database itself, and analysed: follows, tips, subscriptions, redemptions and a raid now and then,
 * of three feeds, in two currencies, some with a message; each with what became of it in one box. Of the feed `feed:old` nothing is new.
 */
export async function fillMixedHistory(
  { execute }: DatabaseHandle,
  { events, channelId, days = 365 }: { events: number; channelId: string; days?: number },
): Promise<void> {
  for (let from = 0; from < events; from += atOnce) {
    const to = Math.min(events, from + atOnce) - 1
    const when = `timestamptz '2026-11-25T03:00:00Z' - (${events} - n) * (interval '${days} days' / ${events})`
    await execute(`
      insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at, is_test)
      select 'old-event-' || n, '${channelId}', case when n < ${events} / 20 then 'feed:old' when n % 3 = 0 then 'feed:cedar' else 'feed:alder' end,
        'old-' || n,
        case when n % 997 = 0 then 'raid' when n % 10 < 6 then 'follow' when n % 10 < 8 then 'tip' when n % 10 = 8 then 'subscription' else 'redemption' end,
        jsonb_build_object('viewer', jsonb_build_object('id', 'v' || (n * 7919 % (${events} / 20 + 10)), 'name', (array['pip_rye', 'MarrowHat', 'Juno Flint', 'Tomé Brandão', '毛毛面包', 'Zoë'])[(n % 6 + 1)::int] || ' ' || (n * 7919 % (${events} / 20 + 10))))
          || case
            when n % 997 = 0 then jsonb_build_object('partySize', n % 300)
            when n % 10 < 6 then '{}'::jsonb
            when n % 10 < 8 then jsonb_build_object(
              'amountMinor', n * 31 % 9973 + 100, 'currency', case when n % 4 = 2 then 'USD' else 'EUR' end,
              'message', jsonb_build_object('text', 'for the ' || (array['oven', 'flour', 'night bakers', 'crème brûlée'])[(n % 4 + 1)::int] || case when n % 5003 = 7 then ' marzipan' else '' end))
            when n % 10 = 8 then jsonb_build_object('tier', 1, 'months', 1)
            else jsonb_build_object('reward', jsonb_build_object('id', 'bell', 'title', 'Ring the oven bell', 'costPoints', 300)) end,
        ${when}, ${when} + interval '1 second', n % 50 = 13
      from generate_series(${from}::bigint, ${to}::bigint) as n`)
    await execute(`
      insert into effect (id, event_id, event_seq, channel_id, lane, kind, decided, outcome, reason, outcome_at)
      select 'old-play-' || n, event.id, event.seq, '${channelId}', 'box:box-old', 'alert', 'The everyday case.',
        case when n % 1009 = 5 then 'failed' when n % 7 = 3 then 'expired' when n % 7 = 4 then 'merged' else 'played' end, '', event.received_at + interval '5 seconds'
      from generate_series(${from}::bigint, ${to}::bigint) as n join event on event.id = 'old-event-' || n`)
  }
  await execute('analyze event; analyze effect')
}
