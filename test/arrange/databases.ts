import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { DatabaseHandle } from '../../server/db/handle.ts'
import { openEmbedded } from '../../server/db/openEmbedded.ts'
import { openServer } from '../../server/db/openServer.ts'
import { hasPostgres, startPostgres } from './postgres.ts'

export interface OpenDatabase {
  handle: DatabaseHandle
  clean: () => Promise<void>
}

/** Both databases that the product runs on, fresh; a server only where there is one. */
export const databases: readonly {
  name: string
  isHere: boolean
  open: (connections?: number) => Promise<OpenDatabase>
}[] = [
  {
    name: 'the embedded database',
    isHere: true,
    open: async () => {
      const folder = mkdtempSync(join(tmpdir(), 'thundercrest-db-'))
      return {
        handle: await openEmbedded(join(folder, 'database'), null),
        clean: async () => rmSync(folder, { recursive: true, force: true }),
      }
    },
  },
  {
    name: 'a PostgreSQL server',
    isHere: hasPostgres,
    open: async (connections) => {
      const { url, stop } = await startPostgres()
      return { handle: await openServer(url, connections), clean: stop }
    },
  },
]
