import { existsSync } from 'node:fs'
import { cp, mkdir, rename, rm, statfs } from 'node:fs/promises'
import { dirname } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { silentBus } from '../lanes/bus.ts'
import type { DatabaseHandle } from './handle.ts'

/**
 * How the engine is set up where it shares a machine with a game and an encoder, and is asked by one program only. Plans
 * of references between tables are made once and kept; made while a table was small they would read all of it for ever,
 * so what has an index is found by it from the beginning.
 */
const settings = [
  'shared_buffers = 32MB',
  'wal_buffers = 1MB',
  'temp_buffers = 1MB',
  'max_connections = 4',
  'jit = off',
  'enable_seqscan = off',
  'default_statistics_target = 10',
]

/**
 * Opens the embedded database in a folder, which must be locked by the caller.
 * @param template a folder with an initialised, empty database: copying it is twenty times as fast as making one
 */
export async function openEmbedded(folder: string, template: string | null): Promise<DatabaseHandle> {
  if (!existsSync(folder)) {
    await mkdir(dirname(folder), { recursive: true })
    if (template && existsSync(template)) {
      // Copied beside and renamed, so that a start that is cut off leaves no half database behind.
      const half = `${folder}.new`
      await rm(half, { recursive: true, force: true })
      await cp(template, half, { recursive: true })
      await rename(half, folder)
    }
  }
  const engine = await PGlite.create({ dataDir: folder, postgresqlconf: settings })
  return {
    kind: 'embedded',
    db: drizzle(engine),
    execute: async (sql) => void (await engine.exec(sql)),
    freeBytes: () =>
      statfs(folder).then(
        ({ bavail, bsize }) => bavail * bsize,
        () => null,
      ),
    openBus: () => Promise.resolve(silentBus),
    close: () => engine.close(),
  }
}
