import { defineEventHandler, setResponseStatus } from 'h3'
import { requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { findPlay } from '../../../../../db/queries/plays.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { problemError } from '../../../../../system/problemError.ts'
import { useDatabase } from '../../../../../db/port.ts'
import { useIngest } from '../../../../../ingest/port.ts'

export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  const { database } = await useDatabase()
  const { ingest } = await useIngest()
  const play = await findPlay(database.db, pathId(event, 'playId'))
  if (!play || play.boxId !== box.id) throw problemError(404, 'There is no such play in this box.')
  const playId = await ingest.replay(play)
  if (playId === null) throw problemError(404, 'There is no such play in this box.')
  await noteAct(session, box.id, 'replayed', playId)
  setResponseStatus(event, 202)
  return { playId }
})
