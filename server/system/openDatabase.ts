import { join } from 'node:path'
import { openEmbedded } from '../db/openEmbedded.ts'
import { openServer } from '../db/openServer.ts'
import { lockFolder } from './folderLock.ts'
import type { Logger } from 'pino'
import type { Config } from './config.ts'
import type { ProcessEntry } from './processEntry.ts'

interface OpenOptions {
  config: Pick<Config, 'DATABASE_URL'>
  logger: Logger
  /** A folder with an empty, initialised embedded database; null: make one. */
  databaseTemplate: string | null
  processes: { database: ProcessEntry | null }
}

/** Opens the database: the one that is named, or the one in the data folder, which is then this process's alone. */
export async function openDatabase(
  { config: { DATABASE_URL: url }, databaseTemplate, processes, logger }: OpenOptions,
  dataFolder: string,
) {
  if (url) return { database: await openServer(url), unlock: () => Promise.resolve() }
  const unlock = await lockFolder(dataFolder)
  const onGone = () => {
    // Nothing can be kept any more: whoever watches over this program starts it again, and it takes up what is kept.
    logger.fatal('the embedded database has ended')
    process.exit(1)
  }
  const thread = processes.database && { entry: processes.database, onGone }
  return { database: await openEmbedded(join(dataFolder, 'database'), databaseTemplate, thread), unlock }
}
