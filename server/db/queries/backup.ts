import { sql, type SQL } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { keptTables, type KeptTable } from '../keptTables.ts'
import { rowsOf } from '../rowsOf.ts'

/** The newest migration of a database. */
export async function newestMigration(db: Database): Promise<string> {
  const [newest] = rowsOf<{ name: string }>(
    await db.execute(sql`select name from thundercrest_migration order by name desc limit 1`),
  )
  return newest?.name ?? ''
}

/** Some rows of a table, in the order of its key. */
export interface KeptPage<Each> {
  rows: Each[]
  /** The key of the last one; null where there is none. */
  last: unknown[] | null
}

/** @param channelId null: of all channels */
async function pageOf<Row extends object>(
  db: Database,
  { table, key: columns, of }: KeptTable,
  what: SQL,
  channelId: string | null,
  behind: unknown[] | null,
  limit: number,
): Promise<KeptPage<Row>> {
  const key = sql.join(
    columns.map((column) => sql`of.${sql.identifier(column)}`),
    sql`, `,
  )
  const further = behind
    ? sql`and (${key}) > (${sql.join(
        behind.map((value) => sql`${value}`),
        sql`, `,
      )})`
    : sql``
  const rows: (Row & { key: unknown[] })[] = rowsOf(
    await db.execute(
      sql`select ${what}, jsonb_build_array(${key}) as key from ${table} of
        where ${channelId === null ? sql`true` : of(channelId)} ${further} order by ${key} limit ${limit}`,
    ),
  )
  return { rows, last: rows.at(-1)?.key ?? null }
}

/** Rows as JSON text, without what is not kept of a channel’s backup. */
export async function pageOfRows(
  db: Database,
  table: KeptTable,
  channelId: string | null,
  behind: unknown[] | null,
  limit: number,
): Promise<KeptPage<string>> {
  // The backup of a whole server has what lets people in, too.
  const isWhole = channelId === null && table.name === 'person'
  const hidden = isWhole ? [] : Object.entries(table.instead)
  const pairs = sql.join(
    hidden.map(([column, value]) => sql`${column}::text, ${value}`),
    sql`, `,
  )
  // Of two objects that are put together, the second one's properties win.
  const row = hidden.length === 0 ? sql`to_jsonb(of)` : sql`to_jsonb(of) || jsonb_build_object(${pairs})`
  const page = await pageOf<{ line: string }>(db, table, sql`(${row})::text as line`, channelId, behind, limit)
  return { rows: page.rows.map(({ line }) => line), last: page.last }
}

/** Events as the database has them. */
export const pageOfEvents = (
  db: Database,
  table: KeptTable,
  channelId: string | null,
  behind: unknown[] | null,
  limit: number,
): Promise<KeptPage<Record<string, unknown>>> => pageOf(db, table, sql`of.*`, channelId, behind, limit)

/** Every file that a row of the media names, once. */
export async function listKeptFiles(db: Database, channelId: string | null): Promise<string[]> {
  const table = keptTables.find(({ name }) => name === 'media')
  const wanted = channelId === null || !table ? sql`true` : table.of(channelId)
  const found = rowsOf<{ id: string }>(
    await db.execute(sql`select distinct file as id from (
      select unnest(array[of.id, of.poster_id, of.strip_id]) as file from media of where ${wanted}
    ) files where file is not null order by 1`),
  )
  return found.map(({ id }) => id)
}

/** Whether a channel or an account is there; the tables need not be. */
export async function hasAnything(db: Database): Promise<boolean> {
  const [tables] = rowsOf<{ there: boolean }>(
    await db.execute(sql`select to_regclass('channel') is not null and to_regclass('person') is not null as there`),
  )
  if (!tables?.there) return false
  const [found] = rowsOf<{ any: boolean }>(
    await db.execute(sql`select exists (select 1 from channel) or exists (select 1 from person) as any`),
  )
  return found?.any === true
}

/** The schema that tables are made in. */
export async function currentSchema(db: Database): Promise<string> {
  const [row] = rowsOf<{ schema: string }>(await db.execute(sql`select current_schema() as schema`))
  return row?.schema ?? 'public'
}

/** What refers to nothing: it was taken away between two questions of the backup. */
const refersToNothing = '23503'

/**
 * Puts rows into a table; those that refer to nothing are left out.
 * @param rows as JSON text; all with the columns of the first. Columns that they do not have are as they are of themselves.
 * @returns how many are in it
 */
export async function putRows(db: Database, schema: string, table: string, rows: readonly string[]): Promise<number> {
  const [first] = rows
  if (first === undefined) return 0
  const columns = sql.join(
    Object.keys(JSON.parse(first) as object).map((column) => sql.identifier(column)),
    sql`, `,
  )
  // With its schema: PostgreSQL has types of its own that are called as tables are.
  const name = sql`${sql.identifier(schema)}.${sql.identifier(table)}`
  try {
    // A way back of its own: what fails is not all that there is.
    await db.transaction((tx) =>
      tx.execute(
        sql`insert into ${name} (${columns}) select ${columns} from jsonb_populate_recordset(null::${name}, ${`[${rows.join(',')}]`}::jsonb) on conflict do nothing`,
      ),
    )
    return rows.length
  } catch (error) {
    const { code } = ((error as { cause?: unknown }).cause ?? error) as { code?: string }
    if (code !== refersToNothing) throw error
    if (rows.length === 1) return 0
    const half = Math.ceil(rows.length / 2)
    return (
      (await putRows(db, schema, table, rows.slice(0, half))) + (await putRows(db, schema, table, rows.slice(half)))
    )
  }
}

/** What counts up in a table goes on behind what is there. */
export async function countOn(db: Database, table: string): Promise<void> {
  const counted = rowsOf<{ column: string; sequence: string }>(
    await db.execute(sql`
      select column_name as column, pg_get_serial_sequence(${table}, column_name) as sequence
      from information_schema.columns
      where table_name = ${table} and pg_get_serial_sequence(${table}, column_name) is not null`),
  )
  for (const { column, sequence } of counted)
    await db.execute(
      sql`select setval(${sequence}, greatest((select coalesce(max(${sql.identifier(column)}), 0) from ${sql.identifier(table)}), 1))`,
    )
}

/** What waited or played is over, and why: nothing of an evening long ago begins by itself. */
export async function endWhatWaits(db: Database, why: string): Promise<void> {
  await db.execute(
    sql`update effect set outcome = 'expired', reason = ${why}, outcome_at = now() where outcome is null`,
  )
  await db.execute(sql`update play set state = 'over', approval = 'none' where state <> 'over'`)
  await db.execute(
    sql`update run set progress = 'over', "end" = 'released', reason = ${why}, ended_at = now(), reserved = null where progress <> 'over'`,
  )
}
