import { existsSync } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { openEmbedded } from '../db/openEmbedded.ts'
import { openServer } from '../db/openServer.ts'
import { lockFolder } from './folderLock.ts'
import type { Logger } from 'pino'
import { readOperatorFile } from '../operate/operatorFile.ts'
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
  isRestoring = false,
) {
  if (url) return { database: await openServer(url), unlock: () => Promise.resolve() }
  const unlock = await lockFolder(dataFolder)
  const folder = join(dataFolder, 'database')
  await refuseDamage(dataFolder, folder, isRestoring).catch(unlocking(unlock))
  const onGone = () => {
    // Nothing can be kept any more: whoever watches over this program starts it again, and it takes up what is kept.
    logger.fatal('the embedded database has ended')
    process.exit(1)
  }
  const thread = processes.database && { entry: processes.database, onGone }
  const opening = openEmbedded(folder, databaseTemplate, thread)
  // What cannot be opened is left as it is: an empty one in its place would hide that anything was ever there.
  const database = await opening.catch((error: unknown) => {
    logger.error({ err: error }, 'the embedded database cannot be opened')
    return unlocking(unlock)(damaged(folder))
  })
  return { database, unlock }
}

const unlocking = (unlock: () => Promise<void>) => async (error: unknown) => {
  await unlock()
  throw error
}

const damaged = (folder: string) =>
  new Error(
    `The database in ${folder} cannot be opened: it is damaged, or of another program. It was left as it is. npm run doctor looks at it; npm run restore -- FILE --set-aside puts a backup in its place and keeps it.`,
  )

/**
 * Tells what is damaged from what is empty: nothing is ever made where something was.
 * @param isRestoring what is gone is about to be put back
 * @throws Error with one clear line
 */
async function refuseDamage(dataFolder: string, folder: string, isRestoring: boolean): Promise<void> {
  if (existsSync(folder)) {
    // Every folder of a database has this; one without it would be taken for one to be made.
    if (!existsSync(join(folder, 'PG_VERSION')) && (await readdir(folder)).length > 0) throw damaged(folder)
    return
  }
  if (!isRestoring && (await readOperatorFile(dataFolder))?.hasDatabase)
    throw new Error(
      `The database that was in ${folder} is gone. Put it back, or restore a backup: npm run restore -- FILE. To begin anew, choose another data folder with THUNDERCREST_DATA.`,
    )
}
