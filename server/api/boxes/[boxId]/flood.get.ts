import { defineEventHandler } from 'h3'
import type { FloodView } from '../../../../contract/views.ts'
import { requireBox } from '../../../auth/access.ts'
import { useDatabase } from '../../../db/port.ts'
import { listFlood } from '../../../db/queries/plays.ts'
import { pathId } from '../../../http/pathId.ts'

/** What came to a box within the hour before the last that came: what its policy is tried on. */
export default defineEventHandler(async (event): Promise<FloodView> => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'moderator')
  const { database } = await useDatabase()
  const plays = await listFlood(database.db, box.id)
  return {
    arrivals: plays.map(({ id, enqueuedAt, lengthMs, facts }) => ({
      atMs: enqueuedAt.getTime(),
      ticket: { playId: id, enqueuedAtMs: enqueuedAt.getTime(), lengthMs, facts },
    })),
  }
})
