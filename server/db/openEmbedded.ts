import { existsSync } from 'node:fs'
import { cp, mkdir, rename, rm, statfs } from 'node:fs/promises'
import { dirname } from 'node:path'
import type { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { silentBus } from '../lanes/bus.ts'
import type { ProcessEntry } from '../system/processEntry.ts'
import { openEngine } from './embedded/openEngine.ts'
import { ThreadEngine } from './embedded/threadEngine.ts'
import type { DatabaseHandle } from './handle.ts'

/** A thread of its own for the database. */
export interface OwnThread {
  entry: ProcessEntry
  /** It has ended though nobody closed it. */
  onGone: () => void
}

/**
 * Opens the embedded database in a folder, which must be locked by the caller.
 * @param template a folder with an initialised, empty database: copying it is twenty times as fast as making one
 * @param thread null: it runs on this very thread, which does nothing else while it writes
 */
export async function openEmbedded(
  folder: string,
  template: string | null,
  thread: OwnThread | null = null,
): Promise<DatabaseHandle> {
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
  const engine = thread ? await ThreadEngine.open(folder, thread.entry, thread.onGone) : await openEngine(folder)
  return {
    kind: 'embedded',
    // Of the engine it only asks for queries and transactions.
    db: drizzle(engine as PGlite),
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
