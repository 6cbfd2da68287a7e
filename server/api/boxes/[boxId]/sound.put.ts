import { defineEventHandler } from 'h3'
import { soundBody } from '../../../../contract/bodies.ts'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteAct } from '../../../boxes/noteAct.ts'
import { setSilent } from '../../../db/queries/boxes.ts'
import { useDatabase } from '../../../db/port.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useSources } from '../../../realtime/port.ts'

/** Has nothing of a box be heard, on any source, or all of it again. Alerts play on meanwhile. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { isHeard } = await readChecked(event, soundBody)
  const [{ database }, { tellSources }] = await Promise.all([useDatabase(), useSources()])
  // At once; those that come later are told as it is kept.
  tellSources(box.id, null, { type: 'hear', isHeard, of: 'box' })
  await setSilent(database.db, box.id, !isHeard)
  await noteAct(session, box.id, isHeard ? 'heardAll' : 'silencedAll')
  return { isHeard }
})
