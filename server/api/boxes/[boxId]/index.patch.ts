import { defineEventHandler } from 'h3'
import { changeBoxBody } from '../../../../contract/bodies.ts'
import { requireMember } from '../../../auth/access.ts'
import { boxView } from '../../../boxes/boxViews.ts'
import { changeBox } from '../../../boxes/changeBox.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useDatabase } from '../../../db/port.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Renames a box, moves it among the others, puts it away or brings it back. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'editor')
  const change = await readChecked(event, changeBoxBody)
  const { database } = await useDatabase()
  const box = await changeBox(session.channel.id, pathId(event, 'boxId'), change)
  if (change.isPutAway !== undefined) await noteDeed(session, change.isPutAway ? 'putAway' : 'broughtBack', box.name)
  return boxView(database.db, box)
})
