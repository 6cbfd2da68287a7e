import { defineEventHandler } from 'h3'
import { keepingBody, type RoomView } from '../../../../contract/keeping.ts'
import { requireMember } from '../../../auth/access.ts'
import { noteDeed } from '../../../channel/trail.ts'
import { useDatabase } from '../../../db/port.ts'
import { setKeeping } from '../../../db/queries/channels.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { letGo } from '../../../keeping/keeper.ts'
import { roomOf } from '../../../keeping/room.ts'
import { useRuntime } from '../../../system/runtimePort.ts'

const words = (days: number | null) => (days === null ? 'for good' : `${days} days`)

/** Sets how long history and versions are kept. What is older goes at once, and from now on by itself. */
export default defineEventHandler(async (event): Promise<RoomView> => {
  const session = await requireMember(event, 'owner')
  const keeping = await readChecked(event, keepingBody)
  const [{ database }, { clock }] = await Promise.all([useDatabase(), useRuntime()])
  await setKeeping(database.db, session.channel.id, keeping)
  await letGo(database.db, session.channel.id, keeping, clock.wallMs())
  const { historyDays, versionDays } = keeping
  await noteDeed(session, 'changedKeeping', '', `history ${words(historyDays)}, versions ${words(versionDays)}`)
  return roomOf(session.channel.id)
})
