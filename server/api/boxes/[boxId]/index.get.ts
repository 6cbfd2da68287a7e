import { defineEventHandler } from 'h3'
import { requireBox } from '../../../auth/access.ts'
import { boxView } from '../../../boxes/boxViews.ts'
import { pathId } from '../../../http/pathId.ts'
import { useDatabase } from '../../../db/port.ts'

export default defineEventHandler(async (event) => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'desk')
  const { database } = await useDatabase()
  return boxView(database.db, box)
})
