import { afterAll, beforeAll, describe, it } from 'vitest'
import type { Database, DatabaseHandle } from '../../server/db/handle.ts'
import { migrate } from '../../server/db/migrate.ts'
import { databases, type OpenDatabase } from './databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

/**
 * The same tests on both databases that the product runs on, each fresh and brought up to date; on a server only where there is
 * one.
 */
export function onEachDatabase(
  about: string,
  tests: (on: { db: () => Database; handle: () => DatabaseHandle; whereHere: ReturnType<typeof it.runIf> }) => void,
): void {
  describe.each(databases)(`${about}, $name`, ({ isHere, open }) => {
    let opened: OpenDatabase
    beforeAll(async () => {
      if (!isHere) return
      opened = await open()
      await migrate(opened.handle, readMigrations())
    }, 60_000)
    afterAll(async () => {
      if (!isHere) return
      await opened.handle.close()
      await opened.clean()
    })
    tests({ db: () => opened.handle.db, handle: () => opened.handle, whereHere: it.runIf(isHere) })
  })
}
