import { and, eq, inArray, sql, type SQL } from 'drizzle-orm'
import { refund } from '../goalSchema.ts'
import type { Database } from '../handle.ts'
import { effect, event, play } from '../liveSchema.ts'
import { rowsOf } from '../rowsOf.ts'
import { run } from '../triggerSchema.ts'

/** So many go at once: nobody waits for it. */
const atOnce = 500

/** What became of it is done with: nothing of it waits or plays. */
const isOver = sql`not exists (select 1 from effect where effect.event_id = event.id and effect.outcome is null)`
const olderEvents = (channelId: string, before: Date) =>
  sql`event.channel_id = ${channelId} and event.received_at < ${before.toISOString()}::timestamptz and ${isOver}`
/** Versions that are neither on air nor what a play is drawn from that is not over. */
const olderVersions = (channelId: string, before: Date) => sql`
  box_version.box_id in (select id from box where channel_id = ${channelId})
  and box_version.published_at < ${before.toISOString()}::timestamptz
  and not exists (select 1 from box where box.on_air_version_id = box_version.id)
  and not exists (select 1 from play where play.version_id = box_version.id and play.state <> 'over')`

const countOf = async (db: Database, table: 'event' | 'box_version', holds: SQL): Promise<number> => {
  const [row] = rowsOf<{ count: number | string }>(
    await db.execute(sql`select count(*)::int as count from ${sql.identifier(table)} where ${holds}`),
  )
  return Number(row?.count ?? 0)
}

export const countOldEvents = (db: Database, channelId: string, before: Date): Promise<number> =>
  countOf(db, 'event', olderEvents(channelId, before))
export const countOldVersions = (db: Database, channelId: string, before: Date): Promise<number> =>
  countOf(db, 'box_version', olderVersions(channelId, before))

/** Removes what happened before a moment, with what became of it. Points, goals as they were counted and broadcasts stay. */
export async function removeOldEvents(db: Database, channelId: string, before: Date): Promise<void> {
  for (let gone = atOnce; gone === atOnce;)
    gone = await db.transaction(async (tx) => {
      const ids = rowsOf<{ id: string }>(
        await tx.execute(
          sql`select id from event where ${olderEvents(channelId, before)} order by seq limit ${atOnce}`,
        ),
      ).map(({ id }) => id)
      if (ids.length === 0) return 0
      await tx.delete(refund).where(inArray(refund.eventId, ids))
      await tx.delete(play).where(inArray(play.eventId, ids))
      await tx.delete(effect).where(inArray(effect.eventId, ids))
      await tx.delete(run).where(and(inArray(run.eventId, ids), eq(run.progress, 'over')))
      await tx.delete(event).where(inArray(event.id, ids))
      return ids.length
    })
}

export async function removeOldVersions(db: Database, channelId: string, before: Date): Promise<void> {
  await db.execute(sql`delete from box_version where ${olderVersions(channelId, before)}`)
}

export interface Taken {
  count: number
  bytes: number
}
const takenOf = (row: { count: unknown; bytes: unknown } | undefined): Taken => ({
  count: Number(row?.count ?? 0),
  bytes: Number(row?.bytes ?? 0),
})

/** What a channel’s media take: those of its library, and those that stay for what was put on air with them. */
export async function mediaTaken(db: Database, channelId: string): Promise<Taken> {
  const [row] = rowsOf<{ count: unknown; bytes: unknown }>(
    await db.execute(
      sql`select count(*) as count, coalesce(sum(size_bytes), 0) as bytes from media where channel_id = ${channelId}`,
    ),
  )
  return takenOf(row)
}

/** Files out of the library that no draft and no version says. */
export async function listUnusedMedia(
  db: Database,
  channelId: string,
): Promise<{ id: string; name: string; sizeBytes: number }[]> {
  const rows = rowsOf<{ id: string; name: string; size_bytes: unknown }>(
    await db.execute(sql`
      select id, name, size_bytes from media
      where channel_id = ${channelId} and deleted_at is not null
        and not exists (select 1 from box where box.channel_id = media.channel_id and strpos(box.draft::text, media.id) > 0)
        and not exists (select 1 from box join box_version on box_version.box_id = box.id
          where box.channel_id = media.channel_id and strpos(box_version.document::text, media.id) > 0)
        and not exists (select 1 from trigger where trigger.channel_id = media.channel_id and strpos(trigger.document::text, media.id) > 0)
      order by size_bytes desc`),
  )
  return rows.map(({ id, name, size_bytes }) => ({ id, name, sizeBytes: Number(size_bytes) }))
}

/** Takes files out of the books. @returns those that nobody else has, either */
export async function removeMedia(db: Database, channelId: string, ids: readonly string[]): Promise<string[]> {
  const free: string[] = []
  for (const id of ids) {
    const files = rowsOf<{ file: string | null }>(
      await db.execute(sql`
        with gone as (
          delete from media where channel_id = ${channelId} and id = ${id} and deleted_at is not null
          returning id, poster_id, strip_id)
        select unnest(array[id, poster_id, strip_id]) as file from gone`),
    ).flatMap(({ file }) => file ?? [])
    for (const file of files) {
      const [other] = rowsOf(
        await db.execute(
          sql`select 1 from media where id = ${file} or poster_id = ${file} or strip_id = ${file} limit 1`,
        ),
      )
      if (!other) free.push(file)
    }
  }
  return free
}

/** What the history takes. Its bytes are this channel’s share of the table: to weigh each row would take as long as reading it. */
export async function historyTaken(db: Database, channelId: string): Promise<Taken> {
  const [row] = rowsOf<{ count: unknown; total: unknown; bytes: unknown }>(
    await db.execute(sql`
      select (select count(*) from event where channel_id = ${channelId}) as count,
        (select count(*) from event) as total,
        pg_total_relation_size('event') + pg_total_relation_size('effect') + pg_total_relation_size('play') as bytes`),
  )
  const count = Number(row?.count ?? 0)
  const share = count / Math.max(1, Number(row?.total ?? 0))
  return { count, bytes: Math.round(Number(row?.bytes ?? 0) * share) }
}

export async function versionsTaken(db: Database, channelId: string): Promise<Taken> {
  const [row] = rowsOf<{ count: unknown; bytes: unknown }>(
    await db.execute(sql`
      select count(*) as count, coalesce(sum(pg_column_size(document)), 0) as bytes
      from box_version where box_id in (select id from box where channel_id = ${channelId})`),
  )
  return takenOf(row)
}
