import { sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrate } from '../../server/db/migrate.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

/** The last one that counted in the units of whoever wrote prices. */
const before = readMigrations().filter(({ name }) => name < '0009')
const rule = (value: number) => ({
  match: 'all',
  of: [
    { field: 'amount', is: 'atLeast', value },
    { match: 'any', of: [{ field: 'amount', is: 'between', from: 1, to: value }] },
    { field: 'months', is: 'atLeast', value: 3 },
  ],
})

describe.each(databases)('$name', ({ isHere, open }) => {
  let opened: OpenDatabase
  beforeAll(async () => {
    if (isHere) opened = await open()
  })
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  it.runIf(isHere)('counts what was counted by other units again in those of the standard', async () => {
    const { handle } = opened
    await migrate(handle, before)
    const run = async (query: ReturnType<typeof sql>) =>
      ((await handle.db.execute(query)) as unknown as { rows: Record<string, unknown>[] }).rows
    const speech = JSON.stringify({ limits: { leastMinor: 500 } })
    for (const [id, currency, rates] of [
      ['hu', 'HUF', { EUR: 4.1, IDR: 0.022 }],
      ['ie', 'EUR', { HUF: 0.24, USD: 0.92, IQD: 0.07 }],
    ] as const) {
      await run(
        sql`insert into channel (id, name, locale, time_zone, currency, rates, speech) values (${id}, ${id}, 'en', 'UTC', ${currency}, ${JSON.stringify(rates)}::jsonb, ${speech}::jsonb)`,
      )
      await run(
        sql`insert into box (id, channel_id, name, draft, source_token) values (${id}, ${id}, ${id}, ${JSON.stringify({ alerts: [{ variations: [{ rule: rule(1500) }, { rule: null }] }], empty: [] })}::jsonb, ${id})`,
      )
    }
    const tips = [
      ['HUF', 1500],
      ['IQD', 1250],
      ['EUR', 2500],
      ['JPY', 500],
    ] as const
    for (const [currency, amountMinor] of tips)
      await run(
        sql`insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at) values (${currency}, 'ie', 'feed:x', ${currency}, 'tip', ${JSON.stringify({ viewer: null, amountMinor, currency })}::jsonb, now(), now())`,
      )
    await migrate(handle, readMigrations())

    const amounts = await run(sql`select id, data -> 'amountMinor' as amount from event order by id`)
    expect(Object.fromEntries(amounts.map(({ id, amount }) => [id, Number(amount)]))).toEqual({
      EUR: 2500,
      HUF: 150_000,
      IQD: 1_250_000,
      JPY: 500,
    })
    const channels = await run(sql`select id, rates, speech from channel order by id`)
    expect(channels).toEqual([
      { id: 'hu', rates: { EUR: 410, IDR: 0.022 }, speech: { limits: { leastMinor: 50_000 } } },
      { id: 'ie', rates: { HUF: 0.0024, USD: 0.92, IQD: 0.00007 }, speech: { limits: { leastMinor: 500 } } },
    ])
    const boxes = await run(sql`select id, draft from box order by id`)
    const changed = {
      match: 'all',
      of: [
        { field: 'amount', is: 'atLeast', value: 150_000 },
        { match: 'any', of: [{ field: 'amount', is: 'between', from: 100, to: 150_000 }] },
        { field: 'months', is: 'atLeast', value: 3 },
      ],
    }
    expect(boxes).toEqual([
      { id: 'hu', draft: { alerts: [{ variations: [{ rule: changed }, { rule: null }] }], empty: [] } },
      { id: 'ie', draft: { alerts: [{ variations: [{ rule: rule(1500) }, { rule: null }] }], empty: [] } },
    ])
  })
})
