import { defineEventHandler, setResponseStatus } from 'h3'
import { issuesOf } from '../../../contract/issuesOf.ts'
import { newGoalBody } from '../../../contract/goals.ts'
import { goal as goalSchema } from '../../../core/goal/schema.ts'
import { addGoal, listCountedGoals } from '../../db/queries/goals.ts'
import { withGoals } from '../../goals/surroundings.ts'
import { readChecked } from '../../http/readChecked.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'

const goalsMax = 100

/** Makes a goal; it gets an id of its own. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view } = await withGoals(event, 'editor')
  const { goal } = await readChecked(event, newGoalBody)
  const checked = goalSchema.safeParse({ ...goal, id: newId('goal') })
  if (!checked.success)
    throw problemError(422, checked.error.issues[0]?.message ?? 'This is no goal.', issuesOf(checked.error))
  if ((await listCountedGoals(db, channelId)).length >= goalsMax)
    throw problemError(409, `A channel has at most ${goalsMax} goals, with the past ones. Remove one first.`)
  await addGoal(db, channelId, checked.data)
  await changed()
  setResponseStatus(event, 201)
  return { id: checked.data.id, view: await view() }
})
