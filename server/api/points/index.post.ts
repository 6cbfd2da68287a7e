import { defineEventHandler } from 'h3'
import { givePointsBody } from '../../../contract/triggers.ts'
import { readBalances } from '../../db/queries/runs.ts'
import { readChecked } from '../../http/readChecked.ts'
import { problemError } from '../../system/problemError.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** Gives a viewer points by hand, or takes them, with a reason. The same request twice is one. */
export default defineEventHandler(async (event) => {
  const { session, db, calls, changed } = await withCalls(event, 'moderator')
  const { viewerId, name, change, why, requestId } = await readChecked(event, givePointsBody)
  const entry = {
    ...{ viewerId, name: name ?? '', change, reference: `hand:${requestId}` },
    why: `${why} (${session.person.name})`,
  }
  if (!(await calls.act(session.channel.id, { do: 'enter', entries: [entry] })))
    throw problemError(409, 'The viewer has fewer than that. Nobody has less than nothing.')
  changed()
  return { points: (await readBalances(db, session.channel.id, [viewerId])).get(viewerId) ?? 0 }
})
