import { defineEventHandler } from 'h3'
import { taskBody } from '../../../../contract/triggers.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Says that something that was to be done by hand is done, or gives back what it cost. */
export default defineEventHandler(async (event) => {
  const { session, calls } = await withCalls(event, 'desk')
  const { task } = await readChecked(event, taskBody)
  const act = { do: 'task' as const, runId: pathId(event, 'runId'), task, by: session.person.name }
  if (!(await calls.act(session.channel.id, act))) throw problemError(409, 'Somebody has said so already.')
  return { ok: true }
})
