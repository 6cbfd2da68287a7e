import type { Logger } from 'pino'
import type { DatabaseHandle } from './handle.ts'
import { migrate, type Migration } from './migrate.ts'

/** Brings the schema to what this program knows, and says what that took. */
export async function bringUpToDate(
  database: DatabaseHandle,
  migrations: readonly Migration[],
  logger: Logger,
): Promise<void> {
  const applied = await migrate(database, migrations)
  if (applied.length > 0) logger.info({ applied }, 'database brought up to date')
}
