import { createHash } from 'node:crypto'
import { sql } from 'drizzle-orm'
import type { DatabaseHandle } from './handle.ts'
import { routines } from './routines.ts'
import { rowsOf } from './rowsOf.ts'

export interface Migration {
  name: string
  sql: string
}

/**
 * Applies what is missing, in the order of names, each in a transaction of its own. Two servers that start together on
 * one database take turns by an advisory lock inside the transaction.
 * @returns the names that were applied now
 * @throws Error when a migration that was applied has been edited since: migrations only ever go forward
 */
export async function migrate(handle: DatabaseHandle, migrations: readonly Migration[]): Promise<string[]> {
  const applied = await applyMigrations(handle, migrations)
  await makeRoutines(handle)
  return applied
}

/** The same without what the server asks afterwards: for a database that is to be as it was at some time. */
export async function applyMigrations(handle: DatabaseHandle, migrations: readonly Migration[]): Promise<string[]> {
  await handle.execute(
    'create table if not exists thundercrest_migration (name text primary key, hash text not null, applied_at timestamptz not null default now())',
  )
  const applied: string[] = []
  for (const migration of [...migrations].sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const hash = createHash('sha256').update(migration.sql).digest('hex')
    await handle.db.transaction(async (tx) => {
      await tx.execute(sql`select pg_advisory_xact_lock(7410257)`)
      const known = await tx.execute(sql`select hash from thundercrest_migration where name = ${migration.name}`)
      const [row] = rowsOf<{ hash?: string }>(known)
      if (row) {
        if (row.hash !== hash)
          throw new Error(
            `The migration ${migration.name} was edited after it had been applied. Restore it and write a new one.`,
          )
        return
      }
      for (const statement of migration.sql.split('--> statement-breakpoint')) await tx.execute(sql.raw(statement))
      await tx.execute(sql`insert into thundercrest_migration (name, hash) values (${migration.name}, ${hash})`)
      applied.push(migration.name)
    })
  }
  return applied
}

/** Makes the functions that this server asks, where they are not there yet. Those of other versions stay. */
async function makeRoutines({ db }: DatabaseHandle): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(7410257)`)
    for (const { name, sql: definition } of routines) {
      const known = await tx.execute(sql`select 1 from pg_proc where proname = ${name}`)
      if (rowsOf<{ hash?: string }>(known).length === 0) await tx.execute(sql.raw(definition))
    }
  })
}
