import { defineEventHandler } from 'h3'
import { shownBody } from '../../../../../../contract/bodies.ts'
import { requireBox } from '../../../../../auth/access.ts'
import { noteAct } from '../../../../../boxes/noteAct.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { readChecked } from '../../../../../http/readChecked.ts'
import { useLines } from '../../../../../queue/port.ts'
import { problemError } from '../../../../../system/problemError.ts'

/** Lets a play be shown that the box's policy has wait for somebody, or does not. What it says may be read then, too. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk', 'desk')
  const { isLet } = await readChecked(event, shownBody)
  const { lines } = await useLines()
  const act = { do: 'judge' as const, playId: pathId(event, 'playId'), isLet, by: session.person.name }
  if ((await lines.act(box.id, act)) !== 'done')
    throw problemError(409, 'This alert does not wait for anybody: somebody else may have said something already.')
  await noteAct(session, box.id, isLet ? 'letThrough' : 'keptBack', act.playId)
  return { isLet }
})
