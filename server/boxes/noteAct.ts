import type { DeskAct } from '../../contract/acts.ts'
import type { SessionView } from '../../contract/views.ts'
import { useDatabase } from '../db/port.ts'
import { addAct } from '../db/queries/acts.ts'
import { useRuntime } from '../system/runtimePort.ts'

/**
 * Notes who did what at the desk of a box; without one, of all boxes. Nobody waits for it, and nothing is refused where it cannot be
 * written: what stops a bad message does not stop with the database.
 */
export async function noteAct(
  { channel, person }: SessionView,
  boxId: string | null,
  did: DeskAct,
  playId: string | null = null,
): Promise<void> {
  const [{ database, trouble }, { logger, clock }] = await Promise.all([useDatabase(), useRuntime()])
  const row = { channelId: channel.id, boxId, at: new Date(clock.wallMs()), byName: person.name, did, playId }
  void addAct(database.db, row).catch((error: unknown) => {
    if (!trouble.note(error)) logger.error({ err: error, did }, 'what was done at the desk could not be noted')
  })
}
