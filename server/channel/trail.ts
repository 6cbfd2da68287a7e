import type { Deed } from '../../contract/trail.ts'
import { useDatabase } from '../db/port.ts'
import { addDeed } from '../db/queries/trail.ts'
import { useRuntime } from '../system/runtimePort.ts'

const most = 200

/**
 * Writes down who did what to a channel. What was done stands, also where this cannot be written: that is logged then.
 * @param about what it was done to, as it is called now
 */
export async function noteDeed(
  { channel, person }: { channel: { id: string }; person: { name: string } },
  did: Deed,
  about = '',
  detail = '',
): Promise<void> {
  const [{ database, trouble }, { logger }] = await Promise.all([useDatabase(), useRuntime()])
  const row = { channelId: channel.id, at: new Date(), byName: person.name, did }
  await addDeed(database.db, { ...row, about: about.slice(0, most), detail: detail.slice(0, most) }).catch(
    (error: unknown) => {
      if (!trouble.note(error)) logger.error({ err: error, did }, 'what was done to a channel could not be noted')
    },
  )
}
