import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { pino } from 'pino'
import { readMigrations } from './readMigrations.ts'
import { migrate } from '../db/migrate.ts'
import { storeOf } from '../media/storeOf.ts'
import { readConfig, type Config } from '../system/config.ts'
import { openDatabase } from '../system/openDatabase.ts'
import { readOperatorFile } from './operatorFile.ts'

/** What was asked of a command cannot be done; said as it is. */
export class CommandFault extends Error {}

/** A running server, as commands reach it. */
export interface RunningServer {
  address: string
  /** Asks it as whoever runs it. @throws CommandFault with its own words where it refuses */
  ask(path: string, init?: RequestInit): Promise<Response>
}

/** What commands work with: the configuration that the server has, and its data folder. */
export function operatorContext(dataFolder: string | undefined) {
  const config = readConfig({ ...process.env, ...(dataFolder ? { THUNDERCREST_DATA: dataFolder } : {}) })
  return { config, dataFolder: resolve(config.THUNDERCREST_DATA) }
}

const answersMs = 3_000

/** The server that runs on a data folder; null where none does. */
export async function findRunning(dataFolder: string): Promise<RunningServer | null> {
  const file = await readOperatorFile(dataFolder)
  if (!file) return null
  const { address, token } = file
  const isThere = await fetch(`${address}/healthz`, { signal: AbortSignal.timeout(answersMs) }).then(
    (answer) => answer.ok,
    () => false,
  )
  if (!isThere) return null
  const headers = { authorization: `Bearer ${token}` }
  return {
    address,
    async ask(path, init = {}) {
      const answer = await fetch(address + path, { ...init, headers: { ...headers, ...init.headers } })
      if (answer.ok) return answer
      const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
      throw new CommandFault(detail ?? `The server answered ${answer.status}.`)
    },
  }
}

/** The database of a server that does not run, open and brought up to date. */
export async function openAlone({ config, dataFolder }: { config: Config; dataFolder: string }) {
  if (!config.DATABASE_URL && !existsSync(join(dataFolder, 'database')))
    throw new CommandFault(
      `There is no database in ${dataFolder}. Name the data folder with --data, or the database with DATABASE_URL.`,
    )
  const opened = await openFolder({ config, dataFolder })
  await migrate(opened.database, readMigrations())
  return opened
}

/** A data folder, held by nobody else as long as it is open. */
export async function openFolder({
  config,
  dataFolder,
  isRestoring = false,
}: {
  config: Config
  dataFolder: string
  /** Where a database was is one to be made. */
  isRestoring?: boolean
}) {
  const logger = pino({ level: 'silent' })
  const options = { config, logger, databaseTemplate: null, processes: { database: null } }
  const { database, unlock } = await openDatabase(options, dataFolder, isRestoring)
  return {
    ...{ database, media: storeOf(config, dataFolder) },
    async close() {
      await database.close()
      await unlock()
    },
  }
}
