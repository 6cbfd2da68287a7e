import { defineEventHandler } from 'h3'
import { heldBody } from '../../../../contract/bodies.ts'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { setHeld } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useDatabase } from '../../../db/port.ts'
import { useLines } from '../../../queue/port.ts'

/** Holds the queue, or lets it go on. What plays now plays to its end; what comes in is kept. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { isHeld } = await readChecked(event, heldBody)
  const { database } = await useDatabase()
  const { lines } = await useLines()
  // The line first: what is written takes its time.
  await lines.act(box.id, { do: 'hold', isHeld })
  await setHeld(database.db, box.id, isHeld)
  await noteAct(session, box.id, isHeld ? 'held' : 'wentOn')
  return { isHeld }
})
