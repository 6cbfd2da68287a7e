import { join } from 'node:path'
import { defineEventHandler, getHeader } from 'h3'
import type { BroughtBackView } from '../../../contract/history.ts'
import { requireMember } from '../../auth/access.ts'
import { useChannels } from '../../channel/port.ts'
import { useDatabase } from '../../db/port.ts'
import { recountGoals } from '../../db/queries/goals.ts'
import { hasDecided } from '../../db/queries/history.ts'
import { takeHistory } from '../../history/takeHistory.ts'
import { uploadFolders } from '../../media/uploadFolders.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'
import { useRuntime } from '../../system/runtimePort.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Brings the history of a channel back, from what `GET` gives as NDJSON. Only where nothing has happened yet. */
export default defineEventHandler(async (event): Promise<BroughtBackView> => {
  const session = await requireMember(event, 'owner')
  const { channel } = session
  const type = (getHeader(event, 'content-type') ?? '').split(';')[0]?.trim()
  if (type !== 'application/x-ndjson')
    throw problemError(415, 'Send application/x-ndjson: one CloudEvent a line, as the history is saved.')
  const [{ database }, { dataFolder, logger }, { onAir }] = await Promise.all([
    useDatabase(),
    useRuntime(),
    useChannels(),
  ])
  if (await hasDecided(database.db, channel.id))
    throw problemError(
      409,
      'This channel has a history of its own, and two cannot be told apart afterwards. Bring this one into an empty channel.',
    )
  const { files } = await uploadFolders(dataFolder)
  const taken = await takeHistory(database.db, channel.id, event.node.req, join(files, newId('history')))
  if (!taken.ok) {
    const { line, path, message } = taken.error
    throw problemError(422, `Line ${line} does not fit; nothing was written.`, [
      { path: [String(line), path].filter(Boolean).join('.'), message },
    ])
  }
  // Goals count what has happened, whenever that became known.
  await recountGoals(database.db, channel.id)
  onAir.forget(channel.id)
  await noteDeed(session, 'broughtHistory', '', `${taken.value.events} events`)
  logger.info({ channelId: channel.id, ...taken.value }, 'a history was brought back')
  return taken.value
})
