import { defineEventHandler, setResponseStatus } from 'h3'
import { problemError } from '../../../system/problemError.ts'
import { ownTrigger, withCalls } from '../../../triggers/surroundings.ts'

/** Plays its plan against the simulated studio: nothing is charged, said or heard on air. */
export default defineEventHandler(async (event) => {
  const { session, calls } = await withCalls(event, 'editor')
  const { id } = await ownTrigger(event, session.channel)
  const fault = await calls.act(session.channel.id, { do: 'dryRun', triggerId: id, by: session.person.name })
  if (fault) throw problemError(409, String(fault))
  setResponseStatus(event, 202)
  return { ok: true }
})
