import { defineEventHandler } from 'h3'
import type { RunView } from '../../../contract/triggers.ts'
import { listRuns } from '../../db/queries/runs.ts'
import { withCalls } from '../../triggers/surroundings.ts'
import { runView } from '../../triggers/triggerViews.ts'

const listed = 100

/** What was set off lately, the newest first. */
export default defineEventHandler(async (event): Promise<{ runs: RunView[] }> => {
  const { session, db } = await withCalls(event, 'desk')
  return { runs: (await listRuns(db, session.channel.id, listed)).map(runView) }
})
