import { defineEventHandler } from 'h3'
import { removeGoal } from '../../../db/queries/goals.ts'
import { withGoals } from '../../../goals/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Removes a past goal, with its corrections. What it counted stays where it is. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view, own } = await withGoals(event, 'editor')
  const { id, endedAt } = await own()
  if (endedAt === null) throw problemError(409, 'This goal goes on. End it first.')
  await removeGoal(db, channelId, id)
  await changed()
  return view()
})
