import { defineEventHandler } from 'h3'
import { panicBody } from '../../../../contract/bodies.ts'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { setHeld } from '../../../db/queries/boxes.ts'
import { useDatabase } from '../../../db/port.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useLines } from '../../../queue/port.ts'

/** Empties the screen and holds the line, or lets it go on. What was cut off stays in the log and can be replayed. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { isOn } = await readChecked(event, panicBody)
  const { lines } = await useLines()
  // The screen first: what is written takes its time.
  await lines.act(box.id, { do: 'panic', isOn, reason: `the screen was emptied by ${session.person.name}` })
  const { database } = await useDatabase()
  await setHeld(database.db, box.id, isOn)
  await noteAct(session, box.id, isOn ? 'emptied' : 'tookBack')
  return { isOn }
})
