import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import type { PointsEntryView } from '../../../contract/triggers.ts'
import { listEntries } from '../../db/queries/points.ts'
import { problemError } from '../../system/problemError.ts'
import { withCalls } from '../../triggers/surroundings.ts'

const query = z.object({ viewer: z.string().min(1).max(400) })
const listed = 200

/** What made a viewer's points what they are, the newest first. */
export default defineEventHandler(async (event): Promise<{ entries: PointsEntryView[] }> => {
  const { session, db } = await withCalls(event, 'moderator')
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?viewer=<id of a viewer>.')
  const rows = await listEntries(db, session.channel.id, asked.data.viewer, listed)
  return { entries: rows.map(({ at, ...row }) => ({ ...row, atMs: at.getTime() })) }
})
