import { defineEventHandler } from 'h3'
import { correctionBody } from '../../../../contract/goals.ts'
import { correctGoal } from '../../../db/queries/goals.ts'
import { withGoals } from '../../../goals/surroundings.ts'
import { readChecked } from '../../../http/readChecked.ts'

/** Corrects what a goal has, with a reason. The same request twice is one correction. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view, own, now, session } = await withGoals(event, 'editor')
  const { id: goalId } = await own()
  const { requestId, amount, why } = await readChecked(event, correctionBody)
  await correctGoal(db, {
    ...{ id: `${channelId}:${goalId}:${requestId}`, channelId, goalId, amount, why },
    ...{ byName: session.person.name, at: new Date(now()) },
  })
  await changed()
  return view()
})
