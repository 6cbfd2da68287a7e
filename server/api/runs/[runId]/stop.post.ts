import { defineEventHandler } from 'h3'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { withCalls } from '../../../triggers/surroundings.ts'

/** Stops a run: what it holds is given back at once; one that had not begun costs nothing. */
export default defineEventHandler(async (event) => {
  const { session, calls } = await withCalls(event, 'desk')
  const act = { do: 'stopRun' as const, runId: pathId(event, 'runId'), by: session.person.name }
  if (!(await calls.act(session.channel.id, act))) throw problemError(409, 'This is over already.')
  return { ok: true }
})
