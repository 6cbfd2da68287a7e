import { Readable } from 'node:stream'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { cloudEventOf } from '../../contract/cloudEvent.ts'
import { searchQuery, searchWords } from '../../core/history/searchWords.ts'
import { outcomes } from '../../core/response/outcome.ts'
import { migrate } from '../../server/db/migrate.ts'
import { decisionsOf, type EventRow } from '../../server/db/queries/events.ts'
import {
  hasDecided,
  listHistory,
  listSources,
  readViewer,
  type HistoryBounds,
  type HistoryWish,
  type Place,
} from '../../server/db/queries/history.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { event } from '../../server/db/liveSchema.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { takeHistory } from '../../server/history/takeHistory.ts'
import { viewerWords } from '../../core/speech/sayings.ts'
import { canonicalOf } from '../../server/ingest/decideEvents.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { fillMixedHistory } from '../arrange/history.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const events = 4_000
const channelId = 'channel-1'

/** Letters that are as old as any database: newer ones are folded where its Unicode knows them. */
const letters = 'aZéÅßİıﬁΣςάЖёŠőأخبزְא毛面ばガกิ한글🥐👩🏽‍🚀①½…’“·_-.,!?\'"\\:*&|()<>/ \t¿％７'
const typed = fc.string({ unit: fc.constantFrom(...Array.from(letters)), maxLength: 40 })

describe.each(databases)('the history in $name', ({ isHere, open }) => {
  let opened: OpenDatabase
  let all: EventRow[] = []
  let outcomeOf = new Map<string, string | null>()
  const db = () => opened.handle.db

  beforeAll(async () => {
    if (!isHere) return
    opened = await open()
    await migrate(opened.handle, readMigrations())
    for (const id of [channelId, 'channel-2'])
      await addChannel(db(), { id, name: 'Lantern Loaf', locale: 'en', timeZone: 'UTC', currency: 'EUR' })
    await fillMixedHistory(opened.handle, { events, channelId, days: 30 })
    all = await db().select().from(event)
    const decided = await decisionsOf(
      db(),
      all.map(({ id }) => id),
    )
    outcomeOf = new Map([...decided].map(([id, [decision]]) => [id, decision?.outcome ?? null]))
  }, 120_000)
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  /** All pages, one after another. */
  async function pages(
    wish: HistoryWish,
    first: Place['first'],
    limit: number,
    bounds?: HistoryBounds,
  ): Promise<EventRow[]> {
    const found: EventRow[] = []
    for (let behind: number | null = null; ;) {
      const { rows, goesOnBehind } = await listHistory(db(), channelId, wish, { first, behind }, limit, bounds)
      expect(rows.length).toBeLessThanOrEqual(limit)
      found.push(...rows)
      if (goesOnBehind === null) return found
      behind = goesOnBehind
    }
  }
  const amountOf = ({ data }: EventRow) => ('amountMinor' in data ? data : null)
  function holds(row: EventRow, wish: HistoryWish): boolean {
    const money = amountOf(row)
    const asked = wish.words?.match(/[^' :*&]+/g) ?? []
    const said = searchWords(
      [
        row.data.viewer?.name,
        viewerWords(canonicalOf(row))?.text,
        'reward' in row.data ? row.data.reward.title : '',
      ].join(' '),
    )
    return (
      (wish.kind === undefined || row.kind === wish.kind) &&
      (wish.source === undefined || row.source === wish.source) &&
      (wish.viewerId === undefined || row.data.viewer?.id === wish.viewerId) &&
      (wish.outcome === undefined || outcomeOf.get(row.id) === wish.outcome) &&
      (wish.worth === undefined ||
        wish.worth.some((each) => money?.currency === each.currency && money.amountMinor >= each.atLeastMinor)) &&
      (wish.fromMs === undefined || row.receivedAt.getTime() >= wish.fromMs) &&
      (wish.untilMs === undefined || row.receivedAt.getTime() < wish.untilMs) &&
      asked.every((word) => said.some((each) => each.startsWith(word))) &&
      (wish.hasTests === true || !row.isTest)
    )
  }

  const day = fc.integer({ min: -31, max: 1 }).map((n) => Date.UTC(2026, 10, 25) + n * 86_400_000)
  const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined, freq: 2 })
  const wishes: fc.Arbitrary<HistoryWish> = fc.record({
    kind: maybe(fc.constantFrom('follow', 'tip', 'raid', 'redemption', 'applause')),
    source: maybe(fc.constantFrom('feed:old', 'feed:cedar', 'feed:none')),
    viewerId: maybe(fc.constantFrom('v7', 'v20', 'v-nobody')),
    worth: maybe(
      fc.integer({ min: 1, max: 12_000 }).map((atLeastMinor) => [
        { currency: 'EUR', atLeastMinor },
        { currency: 'USD', atLeastMinor: atLeastMinor * 2 },
      ]),
    ),
    outcome: maybe(fc.constantFrom(...outcomes)),
    fromMs: maybe(day),
    untilMs: maybe(day),
    words: maybe(
      fc
        .constantFrom('oven', 'ove', 'CRÈME', 'zoe', '面', 'marzipan', 'pip rye', 'bell ring', 'nothing')
        .map((text) => searchQuery(text) ?? ''),
    ),
    hasTests: maybe(fc.boolean()),
  })

  it.runIf(isHere)(
    'is what holds of everything, whole and in order, whatever is asked and either way',
    async () => {
      await fc.assert(
        fc.asyncProperty(
          wishes,
          fc.constantFrom('newest' as const, 'oldest' as const),
          fc.integer({ min: 60, max: 500 }),
          // Also where a page may look at little.
          fc.constantFrom(undefined, { few: 30, lookedThrough: 700, ends: 300 }),
          async (wish, first, limit, bounds) => {
            const wanted = all.filter((row) => holds(row, wish)).map(({ seq }) => seq)
            wanted.sort((a, b) => (first === 'newest' ? b - a : a - b))
            expect((await pages(wish, first, limit, bounds)).map(({ seq }) => seq)).toEqual(wanted)
          },
        ),
        { numRuns: 80 },
      )
    },
    120_000,
  )

  it.runIf(isHere)('finds words as the index has them', async () => {
    await fc.assert(
      fc.asyncProperty(typed, async (clean) => {
        const data = JSON.stringify({ viewer: { id: 'v', name: clean } })
        const answer = await db().execute(
          sql`select tsvector_to_array(thundercrest_words(${data}::jsonb)) as words, ${searchQuery(clean) ?? "''''"}::tsquery is not null as fits`,
        )
        const [row] = rowsOf<{ words: string[]; fits: boolean }>(answer)
        expect(row?.fits).toBe(true)
        expect([...(row?.words ?? [])].sort()).toEqual(searchWords(clean).sort())
      }),
      { numRuns: 300 },
    )
  })

  it.runIf(isHere)('knows its sources, and what a viewer did, tests left out', async () => {
    expect(await listSources(db(), channelId)).toEqual(['feed:alder', 'feed:cedar', 'feed:old'])
    const own = all.filter((row) => row.data.viewer?.id === 'v7' && row.source === 'feed:alder' && !row.isTest)
    const { deeds, given } = await readViewer(db(), channelId, 'feed:alder', 'v7')
    expect(deeds.reduce((sum, { count }) => sum + count, 0)).toBe(own.length)
    expect(own.length).toBeGreaterThan(3)
    const euros = own.reduce(
      (sum, row) => sum + (amountOf(row)?.currency === 'EUR' ? (amountOf(row)?.amountMinor ?? 0) : 0),
      0,
    )
    expect(given.find(({ currency }) => currency === 'EUR')?.amountMinor ?? 0).toBe(euros)
  })

  it.runIf(isHere)('comes back into an empty channel as it went out, once however often', async () => {
    const oldest = await pages({ hasTests: true }, 'oldest', 500)
    const lines = oldest.map((row) => `${JSON.stringify(cloudEventOf(row))}\n`).join('')
    const file = () => join(mkdtempSync(join(tmpdir(), 'thundercrest-history-')), 'history')
    // Cut wherever it likes, also within a letter.
    const pieces = () => {
      const bytes = Buffer.from(lines)
      return Readable.from(
        Array.from({ length: Math.ceil(bytes.length / 9_973) }, (_, n) => bytes.subarray(n * 9_973, (n + 1) * 9_973)),
      )
    }
    expect(await takeHistory(db(), 'channel-2', pieces(), file())).toEqual({
      ok: true,
      value: { events, repeated: 0 },
    })
    expect(await takeHistory(db(), 'channel-2', pieces(), file())).toEqual({
      ok: true,
      value: { events: 0, repeated: events },
    })
    const { rows } = await listHistory(db(), 'channel-2', { hasTests: true }, { first: 'oldest', behind: null }, 500)
    expect(rows.map(cloudEventOf)).toEqual(oldest.slice(0, 500).map(cloudEventOf))
    expect([await hasDecided(db(), channelId), await hasDecided(db(), 'channel-2')]).toEqual([true, false])
  })

  it.runIf(isHere)('is not brought back in part: what does not fit is said with its line', async () => {
    const [good] = all.map((row) => JSON.stringify(cloudEventOf(row)))
    const fault = (text: string) =>
      takeHistory(
        db(),
        'channel-3',
        Readable.from([Buffer.from(text)]),
        join(tmpdir(), `thundercrest-${Math.random()}`),
      )
    expect(await fault(`${good}\n\n{"id"\n`)).toMatchObject({ ok: false, error: { line: 3, message: 'is no JSON' } })
    const early = good?.replace(/"time":"\d+/, '"time":"1926')
    expect(await fault(`${good}\n${early}`)).toMatchObject({ ok: false, error: { line: 2, path: 'time' } })
    expect(await fault(`${good?.replace('"type":"thundercrest.event', '"type":"other.event')}`)).toMatchObject({
      ok: false,
      error: { line: 1, path: 'type' },
    })
    expect(await fault(`${good?.slice(0, 40)}\u{d800}`)).toMatchObject({ ok: false, error: { line: 1 } })
    expect((await listHistory(db(), 'channel-3', {}, { first: 'newest', behind: null }, 5)).rows).toEqual([])
  })
})
