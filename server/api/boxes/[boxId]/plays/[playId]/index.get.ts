import { defineEventHandler } from 'h3'
import { requireBox } from '../../../../../auth/access.ts'
import { findPlay } from '../../../../../db/queries/plays.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { problemError } from '../../../../../system/problemError.ts'
import { useDatabase } from '../../../../../db/port.ts'
import { useLines } from '../../../../../queue/port.ts'

/** What the sources were given to show, for the desk's live miniature. */
export default defineEventHandler(async (event) => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'desk')
  const { database } = await useDatabase()
  const { lines } = await useLines()
  const play = await findPlay(database.db, pathId(event, 'playId'))
  if (!play || play.boxId !== box.id) throw problemError(404, 'There is no such play in this box.')
  return lines.act(box.id, { do: 'show', playId: play.id })
})
