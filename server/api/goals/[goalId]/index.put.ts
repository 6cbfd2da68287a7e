import { defineEventHandler } from 'h3'
import { changeGoalBody } from '../../../../contract/goals.ts'
import { changeGoal } from '../../../db/queries/goals.ts'
import { withGoals } from '../../../goals/surroundings.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'

/** Changes a goal: what it has is added up anew. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view, own } = await withGoals(event, 'editor')
  const { id } = await own()
  const { goal, revision } = await readChecked(event, changeGoalBody)
  if (!(await changeGoal(db, channelId, { ...goal, id }, revision)))
    throw problemError(409, 'Somebody else has changed this goal meanwhile. It is shown as it is now.')
  await changed()
  return view()
})
