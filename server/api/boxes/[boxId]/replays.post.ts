import { defineEventHandler } from 'h3'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { useDatabase } from '../../../db/port.ts'
import { listExpired } from '../../../db/queries/plays.ts'
import { pathId } from '../../../http/pathId.ts'
import { useIngest } from '../../../ingest/port.ts'

/** Plays all once more that was let go within the last hour and not shown since, in the order in which it came. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { database } = await useDatabase()
  const { ingest } = await useIngest()
  const plays = await listExpired(database.db, box.id, new Date(Date.now() - 3_600_000))
  let count = 0
  for (const play of plays) if ((await ingest.replay(play, true)) !== null) count += 1
  if (count > 0) await noteAct(session, box.id, 'replayedAll')
  return { count }
})
