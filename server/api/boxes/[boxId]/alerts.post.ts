import { defineEventHandler } from 'h3'
import { bringAlertBody } from '../../../../contract/bodies.ts'
import { bringAlert } from '../../../../core/edit/bringAlert.ts'
import { changeBox } from '../../../../core/edit/change.ts'
import { ownBox, refuseBoard, requireBox } from '../../../auth/access.ts'
import { noteDeed } from '../../../channel/trail.ts'
import { useDatabase } from '../../../db/port.ts'
import { saveDraft } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useScreens } from '../../../live/port.ts'
import { problemError } from '../../../system/problemError.ts'

/** Brings an alert of another box of the channel into this box’s draft, or one case of it. On air nothing changes. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  refuseBoard(box)
  const { fromBoxId, alertId, variationId } = await readChecked(event, bringAlertBody)
  const from = await ownBox(session.channel.id, fromBoxId)
  refuseBoard(from)
  if (from.id === box.id) throw problemError(422, 'This is the very box that it stands in.')
  const brought = changeBox(box.draft, bringAlert(from.draft, { alertId, variationId }))
  if (!brought.ok) throw problemError(409, `It does not fit into this box: ${brought.error}`)
  if (!brought.value.change) throw problemError(404, 'There is no such alert, or no such case, in that box.')
  const [{ database }, { stream }] = await Promise.all([useDatabase(), useScreens()])
  if (!(await saveDraft(database.db, box.id, box.draftRevision, brought.value.document)))
    throw problemError(409, 'Somebody else changed that box just now. Nothing was brought; try again.')
  stream.changed(session.channel.id, 'drafts')
  await noteDeed(session, 'movedAlerts', box.name, `from ${from.name}`)
  return { revision: box.draftRevision + 1 }
})
