import { createWriteStream, existsSync } from 'node:fs'
import { open, rename, rm, stat } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeReadableStream } from 'node:stream/web'
import { chosenChannel } from '../backup/chosenChannel.ts'
import { writeArchive } from '../backup/writeArchive.ts'
import { CommandFault, findRunning, openAlone, type operatorContext } from './context.ts'

type Context = ReturnType<typeof operatorContext>

/** Takes a backup of a channel: from the server where one runs, else from its data folder. */
export async function backup(
  context: Context,
  path: string,
  channelId: string | null,
  say: (words: string) => void,
): Promise<void> {
  if (existsSync(path)) throw new CommandFault(`There is something at ${path} already. Name another file.`)
  const running = await findRunning(context.dataFolder)
  if (running) {
    const query = channelId === null ? '' : `?channel=${encodeURIComponent(channelId)}`
    const answer = await running.ask(`/api/operator/backup${query}`)
    if (!answer.body) throw new CommandFault('The server sent nothing.')
    await keep(Readable.fromWeb(answer.body as NodeReadableStream), path)
  } else {
    const { database, media, close } = await openAlone(context)
    try {
      const channel = await chosenChannel(database.db, channelId)
      const subject = { db: database.db, media, channel, hasMedia: true, madeAt: new Date() }
      await keep(writeArchive(subject), path)
    } finally {
      await close()
    }
  }
  const { size } = await stat(path)
  say(`${path}: ${(size / 1e6).toFixed(1)} MB.`)
  say(
    'It has the addresses of sources and the secrets of feeds in it: keep it as you keep a key. Passwords are not in it.',
  )
}

/** Writes a file whole or not at all. */
async function keep(from: Readable, path: string): Promise<void> {
  const half = `${path}.half`
  try {
    await pipeline(from, createWriteStream(half, { mode: 0o600, flags: 'wx' }))
    // On the disk before it has its name: a machine that loses its power then has it.
    const file = await open(half, 'r+')
    await file.sync().finally(() => file.close())
    await rename(half, path)
  } finally {
    await rm(half, { force: true })
  }
}
