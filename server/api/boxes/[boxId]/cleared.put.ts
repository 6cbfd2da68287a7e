import { defineEventHandler } from 'h3'
import { clearedBody } from '../../../../contract/bodies.ts'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useLines } from '../../../queue/port.ts'

/** Takes out all that waits, or puts it back: within ten seconds, it is as if nothing had been. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { isCleared } = await readChecked(event, clearedBody)
  const { lines } = await useLines()
  await lines.act(box.id, isCleared ? { do: 'clear', reason: `cleared by ${session.person.name}` } : { do: 'putBack' })
  await noteAct(session, box.id, isCleared ? 'cleared' : 'putBack')
  return { isCleared }
})
