import { defineEventHandler } from 'h3'
import { voiceBody } from '../../../../../../contract/speech.ts'
import { requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { readChecked } from '../../../../../http/readChecked.ts'
import { problemError } from '../../../../../system/problemError.ts'
import { useLines } from '../../../../../queue/port.ts'

/** Lets what a viewer wrote be read, or not; what is being read goes silent at once. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  const { isRead } = await readChecked(event, voiceBody)
  const { lines } = await useLines()
  const said = { by: session.person.name }
  const playId = pathId(event, 'playId')
  const outcome = await lines.act(box.id, { do: 'voice', playId, isRead, said })
  if (outcome === 'unknown') throw problemError(404, 'There is no such play in this box.')
  if (outcome === 'over') throw problemError(409, 'This alert is over: what was read of it has been heard.')
  await noteAct(session, box.id, isRead ? 'letRead' : 'keptUnread', playId)
  return { isRead }
})
