import { defineEventHandler } from 'h3'
import { requireActor } from '../../auth/access.ts'
import { boxSummaries } from '../../boxes/boxViews.ts'
import type { BoxesView } from '../../../contract/views.ts'
import { hasEverShown, listPutAway } from '../../db/queries/boxes.ts'
import { useDatabase } from '../../db/port.ts'

export default defineEventHandler(async (event) => {
  const { channel } = await requireActor(event, 'desk', 'desk')
  const { database } = await useDatabase()
  const [summaries, putAway, hasShown] = await Promise.all([
    boxSummaries(database.db, channel.id),
    listPutAway(database.db, channel.id),
    hasEverShown(database.db, channel.id),
  ])
  return {
    hasShown,
    boxes: summaries.filter(({ isBoard }) => !isBoard),
    boards: summaries.filter(({ isBoard }) => isBoard),
    putAway: putAway.map(({ id, name, isBoard, putAwayAt }) => ({ id, name, isBoard, sinceMs: putAwayAt.getTime() })),
  } satisfies BoxesView
})
