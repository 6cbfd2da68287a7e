import type { ChangeBoxBody } from '../../contract/bodies.ts'
import { closedForNow } from '../../contract/sourceLimits.ts'
import { findAnyBox, moveBox, renameBox, setPutAway, type BoxRow } from '../db/queries/boxes.ts'
import { problemError } from '../system/problemError.ts'
import { useLines } from '../queue/port.ts'
import { useChannels } from '../channel/port.ts'
import { useScreens } from '../live/port.ts'
import { useDatabase } from '../db/port.ts'
import { useSources } from '../realtime/port.ts'
import { checkRoomForBox } from './createBox.ts'

/**
 * Renames a box, moves it among the others, puts it away or brings it back.
 * @returns the box as it is then
 * @throws 404 for a box that the channel does not have, 409 where it may not have one more
 */
export async function changeBox(
  channelId: string,
  boxId: string,
  { name, before, isPutAway }: ChangeBoxBody,
): Promise<BoxRow> {
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const { stream } = await useScreens()
  const { lines, takeFreeLanes } = await useLines()
  const { closeSources } = await useSources()
  const box = await findAnyBox(database.db, channelId, boxId)
  // What is put away can be brought back, and nothing else.
  if (!box || (box.putAwayAt && isPutAway === undefined))
    throw problemError(404, 'There is no such box in this channel.')
  if (name !== undefined) await renameBox(database.db, boxId, name)
  if (before !== undefined) await moveBox(database.db, channelId, boxId, before)
  if (isPutAway === true && (await setPutAway(database.db, boxId, new Date()))) {
    onAir.forget(channelId)
    // A board has no line: nobody would answer for it.
    if (!box.isBoard) await lines.act(boxId, { do: 'putAway' })
    closeSources(boxId, closedForNow, 'box put away')
  }
  if (isPutAway === false && box.putAwayAt) {
    await checkRoomForBox(channelId)
    if (await setPutAway(database.db, boxId, null)) {
      await takeFreeLanes()
      onAir.forget(channelId)
    }
  }
  stream.changed(channelId)
  return (await findAnyBox(database.db, channelId, boxId)) ?? box
}
