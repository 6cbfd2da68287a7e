import { standTriggers } from '../../core/pack/packedTriggers.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import type { TakenPack } from '../../core/pack/takenPack.ts'
import type { Database } from '../db/handle.ts'
import { addTrigger, listTriggerRows } from '../db/queries/triggers.ts'
import { newId } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'

const triggersMax = 100

/** @throws 409 where a channel would have more triggers than it can have */
export async function checkRoomForTriggers(db: Database, channelId: string, more: number): Promise<void> {
  if ((await listTriggerRows(db, channelId)).length + more > triggersMax)
    throw problemError(409, `A channel has at most ${triggersMax} triggers. Put one away first.`)
}

/**
 * Gives a channel the triggers of a pack that a box has taken, unarmed: all of them, or none.
 * @param alerts the alerts of the pack as the box calls them
 * @returns their ids
 * @throws 409 where there is no room for them
 */
export async function addTriggersOfPack(
  db: Database,
  channelId: string,
  { triggers = [] }: Pick<Manifest, 'triggers'>,
  alerts: TakenPack['alerts'],
  boxId: string,
): Promise<string[]> {
  const standing = standTriggers(triggers, alerts, boxId, () => newId('trigger'))
  await checkRoomForTriggers(db, channelId, standing.length)
  await db.transaction(async (tx) => {
    for (const each of standing) await addTrigger(tx, channelId, each)
  })
  return standing.map(({ id }) => id)
}
