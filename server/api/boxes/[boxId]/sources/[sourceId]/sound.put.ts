import { defineEventHandler } from 'h3'
import { soundBody } from '../../../../../../contract/bodies.ts'
import { refuseBoard, requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { readChecked } from '../../../../../http/readChecked.ts'
import { useSources } from '../../../../../realtime/port.ts'

/** Has one source be silent, or be heard: of two scenes that are shown in turn one is enough. It remembers that over a reload. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  refuseBoard(box)
  const { isHeard } = await readChecked(event, soundBody)
  const { tellSources } = await useSources()
  tellSources(box.id, [pathId(event, 'sourceId')], { type: 'hear', isHeard, of: 'source' })
  await noteAct(session, box.id, isHeard ? 'heardSource' : 'silencedSource')
  return { isHeard }
})
