import { defineEventHandler, setResponseStatus } from 'h3'
import { requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { useLines } from '../../../../../queue/port.ts'
import { problemError } from '../../../../../system/problemError.ts'

/** Has a play that waits be the next, before all others. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  const { lines } = await useLines()
  const playId = pathId(event, 'playId')
  if ((await lines.act(box.id, { do: 'moveUp', playId })) !== 'done')
    throw problemError(409, 'This alert cannot be the next: it does not wait for its turn.')
  await noteAct(session, box.id, 'madeNext', playId)
  setResponseStatus(event, 204)
  return null
})
