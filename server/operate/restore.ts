import { existsSync } from 'node:fs'
import { rename } from 'node:fs/promises'
import { join } from 'node:path'
import { restoreArchive } from '../backup/restoreArchive.ts'
import { listChannels } from '../db/queries/channels.ts'
import { listMembers } from '../db/queries/members.ts'
import { addDeed } from '../db/queries/trail.ts'
import { makePasswordLink } from '../people/passwordLinks.ts'
import { keepPrivate } from '../system/dataFolder.ts'
import { newId } from '../system/ids.ts'
import { ownAddress } from '../http/ownOrigin.ts'
import { CommandFault, findRunning, openFolder, type operatorContext } from './context.ts'
import { readMigrations } from './readMigrations.ts'

type Context = ReturnType<typeof operatorContext>

/**
 * Puts a backup into an empty server that does not run.
 * @param isSetAside a database that is there and cannot be opened is put to another place first, and kept
 */
export async function restore(
  context: Context,
  path: string,
  isSetAside: boolean,
  say: (words: string) => void,
): Promise<void> {
  const { config, dataFolder } = context
  if (!existsSync(path)) throw new CommandFault(`There is no file ${path}.`)
  if (await findRunning(dataFolder))
    throw new CommandFault(
      'A server runs on this data folder. Stop it first, or choose another folder with --data: a backup is restored into an empty one.',
    )
  await keepPrivate(dataFolder)
  const folder = join(dataFolder, 'database')
  if (isSetAside && !config.DATABASE_URL && existsSync(folder)) {
    const aside = `${folder}.set-aside-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}`
    await rename(folder, aside)
    say(`What was there lies in ${aside} now.`)
  }
  const { database, media, close } = await openFolder({ ...context, isRestoring: true })
  try {
    const spool = join(dataFolder, newId('restoring'))
    const restored = await restoreArchive(path, {
      ...{ database, media, spool, migrations: readMigrations(), onStep: say },
    })
    const { about, rows, leftOut, media: files } = restored
    say(`Restored: ${rows} rows and ${files} files, as they were on ${about.madeAt}.`)
    if (leftOut > 0) say(`${leftOut} rows were left out: what they refer to was taken away while the backup was taken.`)
    for (const channel of await listChannels(database.db)) {
      await addDeed(database.db, { channelId: channel.id, at: new Date(), byName: 'the operator', did: 'restored' })
      if (about.channel === null) continue
      say(`\nNobody of ${channel.name} has a password here. Each of these links sets one, once, within a day:`)
      for (const member of await listMembers(database.db, channel.id))
        if (member.role === 'owner') {
          const link = await makePasswordLink(database.db, member.personId)
          say(`  ${member.email}  ${config.THUNDERCREST_ADDRESSES[0] ?? ownAddress(config)}${link}`)
        }
      say('Others are given theirs by npm run password -- E-MAIL, or are invited again.')
    }
  } finally {
    await close()
  }
}
