import { setResponseHeaders, sendStream, type H3Event } from 'h3'
import { noteDeed } from '../channel/trail.ts'
import { useDatabase } from '../db/port.ts'
import { useMedia } from '../media/port.ts'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { writeArchive } from './writeArchive.ts'

/** Those that are sent just now: one at a time reads everything that there is. */
let isSending = false

/**
 * Sends a backup of a channel, a piece at a time, as fast as whoever asked takes it. What goes wrong in the middle cuts it off, and
 * what was cut off is refused when it is restored.
 * @throws 429 while another is sent
 */
export async function sendBackup(event: H3Event, channel: { id: string; name: string }, byName: string) {
  if (isSending) throw problemError(429, 'Another backup is taken just now. Wait until it is done, then ask again.')
  const [{ database }, { media }, { logger }] = await Promise.all([useDatabase(), useMedia(), useRuntime()])
  const madeAt = new Date()
  isSending = true
  const { id, name } = channel
  const archive = writeArchive({ db: database.db, media, channel: { id, name }, hasMedia: true, madeAt })
  archive.on('error', (error) => logger.warn({ err: error, channelId: id }, 'a backup was cut off'))
  archive.on('close', () => (isSending = false))
  await noteDeed({ channel, person: { name: byName } }, 'tookBackup')
  setResponseHeaders(event, {
    'content-type': 'application/x-tar',
    'content-disposition': `attachment; filename="${fileNameOf(name, madeAt)}"`,
    'cache-control': 'no-store',
  })
  event.node.res.once('close', () => archive.destroy())
  return sendStream(event, archive)
}

/** What a backup is called: the channel in letters that every disk takes, and the day. */
export function fileNameOf(channel: string, madeAt: Date): string {
  const plain = channel
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 40)
  return `${plain || 'channel'}-${madeAt.toISOString().slice(0, 10)}.tar`
}
