// A page of a history of a million events for every kind of filter, on both databases, with the index that finds it; beside it the
// same question as one plain statement, which leaves the way to the planner.
import { and, desc, eq, sql, type SQL } from 'drizzle-orm'
import { searchQuery } from '../core/history/searchWords.ts'
import type { Database } from '../server/db/handle.ts'
import { event } from '../server/db/liveSchema.ts'
import { migrate } from '../server/db/migrate.ts'
import { listHistory, readViewer, type HistoryWish } from '../server/db/queries/history.ts'
import { addChannel } from '../server/db/queries/people.ts'
import { rowsOf } from '../server/db/rowsOf.ts'
import { databases } from '../test/arrange/databases.ts'
import { fillMixedHistory } from '../test/arrange/history.ts'
import { readMigrations } from '../server/operate/readMigrations.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const events = Number(process.env.EVENTS ?? 1_000_000)
const channelId = 'channel'
const limit = 100
const runs = 15
const words = (text: string) => searchQuery(text) ?? ''
const worth = (atLeastMinor: number) => [
  { currency: 'EUR', atLeastMinor },
  { currency: 'USD', atLeastMinor: Math.ceil(atLeastMinor / 0.92) },
]
const day = Date.UTC(2026, 5, 1)
const wishes: [string, HistoryWish, SQL?][] = [
  ['everything', {}],
  ['a rare kind (raids)', { kind: 'raid' }],
  ['a frequent kind (follows)', { kind: 'follow' }],
  ['a feed of which nothing is new', { source: 'feed:old' }],
  ['one viewer', { viewerId: 'v4242' }],
  ['worth 100 € (few)', { worth: worth(10_060) }],
  ['worth 5 € (many)', { worth: worth(500) }],
  ['what failed', { outcome: 'failed' }],
  ['what expired', { outcome: 'expired' }],
  ['a day half a year ago', { fromMs: day, untilMs: day + 86_400_000 }],
  ['a rare word', { words: words('marzipan') }, sql`thundercrest_words(data) @@ ${words('marzipan')}::tsquery`],
  ['a frequent word', { words: words('oven') }, sql`thundercrest_words(data) @@ ${words('oven')}::tsquery`],
  [
    'tips with a word, worth 90 €, that expired',
    { kind: 'tip', words: words('creme'), worth: worth(9_000), outcome: 'expired' },
  ],
]

/** What each index was asked so far. */
async function scansOf(db: Database): Promise<Map<string, number>> {
  await db.execute(sql`select pg_stat_force_next_flush()`)
  const rows = rowsOf<{ name: string; scans: string }>(
    await db.execute(
      sql`select indexrelname as name, idx_scan as scans from pg_stat_user_indexes where relname in ('event', 'effect')`,
    ),
  )
  return new Map(rows.map(({ name, scans }) => [name, Number(scans)]))
}

const measured: Measured[] = []
for (const { name, isHere, open } of databases) {
  if (!isHere) continue
  // One connection: what each has asked of indexes it tells when it likes.
  const { handle, clean } = await open(1)
  const { db } = handle
  await migrate(handle, readMigrations())
  await addChannel(db, { id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR' })
  await fillMixedHistory(handle, { events, channelId })
  const ask = (wish: HistoryWish) => listHistory(db, channelId, wish, { first: 'newest', behind: null }, limit)
  for (const [what, wish, condition] of wishes) {
    await ask(wish)
    const before = await scansOf(db)
    const { rows } = await ask(wish)
    const after = await scansOf(db)
    const used = [...after].filter(([index, scans]) => scans > (before.get(index) ?? 0)).map(([index]) => index)
    const took: number[] = []
    for (let run = 0; run < runs; run++) {
      const fromMs = performance.now()
      await ask(wish)
      took.push(performance.now() - fromMs)
    }
    measured.push({
      what: `${name}: ${what}`,
      figures: {
        p50: ms(percentile(took, 0.5)),
        worst: ms(Math.max(...took)),
        found: rows.length,
        'by the index': used.join(', '),
      },
    })
    if (!condition) continue
    const fromMs = performance.now()
    const isDone = await db
      .select()
      .from(event)
      .where(and(eq(event.channelId, channelId), condition))
      .orderBy(desc(event.seq))
      .limit(limit)
      .then(
        () => true,
        () => false,
      )
    const tookMs = performance.now() - fromMs
    measured.push({
      what: `  peer: ${what}, one plain statement`,
      figures: { p50: isDone ? ms(tookMs) : `given up after ${ms(tookMs)}` },
    })
  }
  const fromMs = performance.now()
  await readViewer(db, channelId, 'feed:alder', 'v4242')
  measured.push({ what: `${name}: a viewer’s sums`, figures: { p50: ms(performance.now() - fromMs) } })
  await handle.close()
  await clean()
}
report('history', measured, [
  `${events.toLocaleString('en')} events of a year, pages of ${limit}, ${runs} times each. The index is what \`pg_stat_user_indexes\` counted while one page was asked for.`,
])
process.exit(0)
