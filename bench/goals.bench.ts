// The amount of a goal with a million events behind it: kept, added up anew, and one more; beside a bare sum in SQL.
import { sql } from 'drizzle-orm'
import { goal as goalSchema } from '../core/goal/schema.ts'
import { OnAirCache } from '../server/channel/onAir.ts'
import { migrate } from '../server/db/migrate.ts'
import { addGoal, addUpGoal, findGoal } from '../server/db/queries/goals.ts'
import { addChannel } from '../server/db/queries/people.ts'
import { rowsOf } from '../server/db/rowsOf.ts'
import { decideEvents } from '../server/ingest/decideEvents.ts'
import { keepDecided } from '../server/ingest/keepDecided.ts'
import { databases } from '../test/arrange/databases.ts'
import { readMigrations } from '../server/operate/readMigrations.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const events = 1_000_000
const atOnce = 50_000
const fromMs = Date.UTC(2026, 0, 1)
const nowMs = Date.UTC(2026, 10, 29)
const channelId = 'channel'
const oven = goalSchema.parse({
  ...{ id: 'oven', title: 'New oven fund', measure: { of: 'money', kinds: ['tip'] }, sources: null, startAmount: 0 },
  ...{ target: 100_000_000_000, stretches: [], fromMs, untilMs: null, then: { do: 'stop' } },
})
const measured: Measured[] = []

/** How long something takes, several times. */
async function times(count: number, act: (index: number) => Promise<unknown>) {
  const took: number[] = []
  for (let index = 0; index < count; index++) {
    const beganMs = performance.now()
    await act(index)
    took.push(performance.now() - beganMs)
  }
  return { p50: ms(percentile(took, 0.5)), p99: ms(percentile(took, 0.99)) }
}

for (const { name, isHere, open } of databases) {
  if (!isHere) continue
  const { handle, clean } = await open()
  const { db } = handle
  await migrate(handle, readMigrations())
  await addChannel(db, {
    ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', rates: { USD: 0.92 } },
  })
  for (let from = 0; from < events; from += atOnce)
    await handle.execute(`
      insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at, is_test)
      select 'event-' || n, '${channelId}', 'feed:till', 'tip-' || n, 'tip',
        jsonb_build_object('viewer', jsonb_build_object('id', 'v' || (n % 5000), 'name', 'kneadybeast'),
          'amountMinor', 100 * (1 + n % 50), 'currency', case when n % 10 = 0 then 'USD' else 'EUR' end),
        to_timestamp(${fromMs / 1000} + n), to_timestamp(${fromMs / 1000} + n), n % 100 = 0
      from generate_series(${from}, ${from + atOnce - 1}) as n`)
  await addGoal(db, channelId, oven)
  const onAir = new OnAirCache(db)
  const addUp = { what: `${name}: added up anew`, figures: await times(5, () => addUpGoal(db, channelId, oven.id)) }
  const channel = await onAir.read(channelId)
  let said = 0
  const tip = async () => {
    const event = {
      ...{ source: 'feed:till', externalId: `new-${said++}`, kind: 'tip' as const, isTest: false, occurredAtMs: nowMs },
      data: { viewer: null, amountMinor: 2500, currency: 'EUR' },
    }
    const request = { channelId, onAir: channel, incoming: [event], onlyBoxId: null, feed: null, previous: [] }
    await keepDecided(db, [decideEvents({ ...request, pretended: null, nowMs })])
  }
  const more = { what: `${name}: one tip more, kept with what it counts`, figures: await times(200, tip) }
  const kept = {
    what: `${name}: the kept amount is read`,
    figures: await times(200, () => findGoal(db, channelId, oven.id)),
  }
  const bare = {
    what: `${name}: bare sum in SQL, one currency, tests too`,
    figures: await times(5, () =>
      db.execute(
        sql`select sum((data ->> 'amountMinor')::bigint) as minor from event where channel_id = ${channelId} and kind = 'tip'`,
      ),
    ),
  }
  const before = (await findGoal(db, channelId, oven.id))?.sum
  await addUpGoal(db, channelId, oven.id)
  const after = (await findGoal(db, channelId, oven.id))?.sum
  const [row] = rowsOf<{ count: string }>(await db.execute(sql`select count(*) as count from event`))
  measured.push(kept, more, addUp, bare, {
    what: `${name}: kept and added up, of ${Number(row?.count).toLocaleString('en')} events`,
    figures: { p50: before === after ? 'the same' : `${before} and ${after}` },
  })
  await handle.close()
  await clean()
}
report('goals', measured)
process.exit(0)
