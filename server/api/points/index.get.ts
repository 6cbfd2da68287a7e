import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import type { PointsView } from '../../../contract/triggers.ts'
import { listBalances, sumBalances } from '../../db/queries/points.ts'
import { listFeeds } from '../../db/queries/feeds.ts'
import { feedSource } from '../../../core/events/feedSource.ts'
import { problemError } from '../../system/problemError.ts'
import { withCalls } from '../../triggers/surroundings.ts'

const query = z.object({ words: z.string().trim().max(100).default('') })
const listed = 200

/** Who has most of the channel's points. */
export default defineEventHandler(async (event): Promise<PointsView> => {
  const { session, db } = await withCalls(event, 'moderator')
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?words=<part of a name>.')
  const { id } = session.channel
  const [rows, sums, feeds] = await Promise.all([
    listBalances(db, id, asked.data.words, listed),
    sumBalances(db, id),
    listFeeds(db, id),
  ])
  const names = new Map(feeds.map((feed) => [feedSource(feed.id), feed.name]))
  const fromOf = (viewerId: string) => viewerId.slice(0, Math.max(0, viewerId.indexOf('/')))
  return {
    rows: rows.map((row) => ({ ...row, from: names.get(fromOf(row.viewerId)) ?? fromOf(row.viewerId) })),
    ...sums,
  }
})
