import { defineEventHandler } from 'h3'
import * as z from 'zod'
import { setGoalEnded } from '../../../db/queries/goals.ts'
import { withGoals } from '../../../goals/surroundings.ts'
import { readChecked } from '../../../http/readChecked.ts'

const body = z.object({ isEnded: z.boolean() })

/** Puts a goal among the past ones, or takes it back from there. One whose time is over ends again by itself. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view, own, now } = await withGoals(event, 'editor')
  const { id, endedAt } = await own()
  const { isEnded } = await readChecked(event, body)
  if (isEnded !== (endedAt !== null)) await setGoalEnded(db, channelId, id, isEnded ? new Date(now()) : null)
  await changed()
  return view()
})
