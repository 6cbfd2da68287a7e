import type { Logger } from 'pino'
import { operatorToken } from '../auth/operator.ts'
import { Nightly } from '../backup/nightly.ts'
import { Housekeeping } from '../db/housekeeping.ts'
import type { DatabaseHandle } from '../db/handle.ts'
import { ownAddress } from '../http/ownOrigin.ts'
import { Keeper } from '../keeping/keeper.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import { writeOperatorFile } from '../operate/operatorFile.ts'
import type { Config } from './config.ts'

/** Everything that looks after what is kept while nobody does: tables, nights, what is kept only so long. */
export async function startUpkeep(around: {
  database: DatabaseHandle
  media: MediaStore
  dataFolder: string
  config: Config
  logger: Logger
  secret: string
  isQuiet: () => boolean
  noteError: (words: string) => (error: unknown) => void
}): Promise<{ close: () => void }> {
  const { database, media, dataFolder, config, secret, isQuiet, noteError } = around
  await writeOperatorFile(dataFolder, {
    address: ownAddress(config),
    token: operatorToken(secret, config.THUNDERCREST_OPERATOR_TOKEN),
    hasDatabase: database.kind === 'embedded',
  })
  const kept = [
    new Housekeeping(database, isQuiet, noteError('a table could not be tidied')),
    new Nightly({ ...{ database, media, dataFolder, isQuiet }, onError: noteError('the nightly backup failed') }),
    new Keeper(database.db, isQuiet, noteError('what is kept only so long could not be looked at')),
  ]
  return { close: () => kept.forEach((each) => each.close()) }
}
