import { defineEventHandler, setResponseStatus } from 'h3'
import { requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { useLines } from '../../../../../queue/port.ts'

/** Skips a play, whether it is on screen or still waiting. It stays in the log and can be replayed. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  const { lines } = await useLines()
  const reason = `skipped by ${session.person.name}`
  const playId = pathId(event, 'playId')
  const isWritten = await lines.act(box.id, { do: 'skip', playId, reason })
  await noteAct(session, box.id, 'skipped', playId)
  // It is gone from the screen; 204 says that it is also written down, 202 that it will be when the database is back.
  setResponseStatus(event, isWritten === true ? 204 : 202)
  return null
})
