import { readdirSync, readFileSync } from 'node:fs'
import type { Migration } from '../db/migrate.ts'

const folder = new URL('../db/migrations/', import.meta.url)

/** The checked-in migrations, as the built server carries them. */
export function readMigrations(): Migration[] {
  return readdirSync(folder)
    .filter((name) => name.endsWith('.sql'))
    .map((name) => ({ name: name.replace(/\.sql$/, ''), sql: readFileSync(new URL(name, folder), 'utf8') }))
}
