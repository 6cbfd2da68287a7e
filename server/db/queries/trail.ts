import { asc, desc, eq, lt, sql, type SQL } from 'drizzle-orm'
import type { DeskAct } from '../../../contract/acts.ts'
import type { Deed } from '../../../contract/trail.ts'
import type { Database } from '../handle.ts'
import { deskAct } from '../liveSchema.ts'
import { trail } from '../peopleSchema.ts'
import { rowsOf } from '../rowsOf.ts'

/** Whoever works on something for a while does one thing: a deed again within so long is the same one. */
const sameForMs = 10 * 60_000

export async function addDeed(db: Database, row: Omit<typeof trail.$inferInsert, 'seq'>): Promise<void> {
  const [newest] = await db
    .select()
    .from(trail)
    .where(eq(trail.channelId, row.channelId))
    .orderBy(desc(trail.seq))
    .limit(1)
  const isSame =
    newest?.did === row.did &&
    row.did.startsWith('changed') &&
    newest.byName === row.byName &&
    newest.about === (row.about ?? '') &&
    newest.detail === (row.detail ?? '') &&
    row.at.getTime() - newest.at.getTime() < sameForMs
  if (isSame) await db.update(trail).set({ at: row.at }).where(eq(trail.seq, newest.seq))
  else await db.insert(trail).values(row)
}

/** What of the trail is wanted. */
export interface TrailWish {
  did?: readonly string[] | undefined
  by?: string | undefined
  /** The end not included. */
  fromMs?: number | undefined
  untilMs?: number | undefined
}

export interface TrailRow {
  /** Where the next page goes on. */
  place: string
  atMs: number
  by: string
  did: Deed | DeskAct
  about: string
  detail: string
}

interface Found {
  at_ms: string | number
  kind: string
  seq: string | number
  by_name: string
  did: Deed | DeskAct
  about: string
  detail: string
}

/** Whether a text says where a page goes on. */
const placed = /^(\d{1,16})\.([td])\.(\d{1,16})$/

/**
 * What was done to a channel and at its desks, newest first.
 * @param behind where the page before ended; null: at the newest. What is no such place begins there, too.
 */
export async function listTrail(
  db: Database,
  channelId: string,
  { did, by, fromMs, untilMs }: TrailWish,
  behind: string | null,
  limit: number,
): Promise<TrailRow[]> {
  const place = placed.exec(behind ?? '')
  const at = sql`floor(extract(epoch from of.at) * 1000)::bigint`
  const holds: SQL[] = [sql`of.channel_id = ${channelId}`]
  if (fromMs !== undefined) holds.push(sql`of.at >= ${new Date(fromMs).toISOString()}::timestamptz`)
  if (untilMs !== undefined) holds.push(sql`of.at < ${new Date(untilMs).toISOString()}::timestamptz`)
  if (by !== undefined) holds.push(sql`of.by_name = ${by}`)
  if (did)
    holds.push(
      sql`of.did in (${sql.join(
        did.map((each) => sql`${each}`),
        sql`, `,
      )})`,
    )
  const behindIt = (kind: string) =>
    place
      ? sql`and (${at}, ${kind}::text, of.seq) < (${Number(place[1])}::bigint, ${place[2]}::text, ${Number(place[3])}::bigint)`
      : sql``
  const all = sql.join(holds, sql` and `)
  const found = await db.execute(sql`
    select * from (
      (select ${at} as at_ms, 't' as kind, of.seq, of.by_name, of.did, of.about, of.detail
        from trail of where ${all} ${behindIt('t')} order by 1 desc, of.seq desc limit ${limit})
      union all
      (select ${at} as at_ms, 'd' as kind, of.seq, of.by_name, of.did,
          coalesce(event.data -> 'viewer' ->> 'name', ''), coalesce(box.name, '')
        from desk_act of
        left join box on box.id = of.box_id
        left join play on play.id = of.play_id
        left join event on event.id = play.event_id
        where ${all} ${behindIt('d')} order by 1 desc, of.seq desc limit ${limit})
    ) both_of order by at_ms desc, kind desc, seq desc limit ${limit}`)
  return rowsOf<Found>(found).map((row) => ({
    ...{ place: `${row.at_ms}.${row.kind}.${row.seq}`, atMs: Number(row.at_ms), by: row.by_name },
    ...{ did: row.did, about: row.about, detail: row.detail },
  }))
}

/** Whoever did something in a channel, by name. */
export async function listDoers(db: Database, channelId: string): Promise<string[]> {
  const of = (table: typeof trail | typeof deskAct) =>
    db
      .selectDistinct({ name: table.byName })
      .from(table)
      .where(sql`${table.channelId} = ${channelId}`)
      .orderBy(asc(table.byName))
      .limit(200)
  const names = new Set([...(await of(trail)), ...(await of(deskAct))].map(({ name }) => name))
  return [...names].sort((a, b) => a.localeCompare(b))
}

/** Forgets what was done before a moment. */
export async function forgetDeeds(db: Database, before: Date): Promise<void> {
  await db.delete(trail).where(lt(trail.at, before))
  await db.delete(deskAct).where(lt(deskAct.at, before))
}
