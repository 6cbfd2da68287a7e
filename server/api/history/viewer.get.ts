import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import { historyFilter, type ViewerView } from '../../../contract/history.ts'
import { describeEvent } from '../../../core/events/describeEvent.ts'
import { comparableMinor } from '../../../core/rules/values.ts'
import { listHistory, readViewer } from '../../db/queries/history.ts'
import { readBalances } from '../../db/queries/runs.ts'
import { sourceNames } from '../../history/historyViews.ts'
import { withHistory } from '../../history/surroundings.ts'
import { viewerIdOf } from '../../../core/events/viewerIdOf.ts'
import { canonicalOf } from '../../ingest/decideEvents.ts'
import { problemError } from '../../system/problemError.ts'

const query = z.object({ source: historyFilter.shape.source.unwrap(), viewer: historyFilter.shape.viewer.unwrap() })

/** What one viewer did here so far. */
export default defineEventHandler(async (event): Promise<ViewerView> => {
  const { channelId, locale, db, channel } = await withHistory(event, 'moderator')
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Use ?source=<source>&viewer=<id>, as the events say them.')
  const { source, viewer } = asked.data
  const wish = { source, viewerId: viewer }
  const [{ deeds, given }, newest, nameOf] = await Promise.all([
    readViewer(db, channelId, source, viewer),
    listHistory(db, channelId, wish, { first: 'newest', behind: null }, 1),
    sourceNames(db, channelId),
  ])
  const [last] = newest.rows
  if (!last) throw problemError(404, 'Nobody of that name has done anything here.')
  const pointsOf = viewerIdOf(last)
  return {
    name: describeEvent(canonicalOf(last), locale).name,
    from: nameOf(source),
    firstAtMs: Math.min(...deeds.map(({ firstAt }) => firstAt.getTime())),
    lastAtMs: Math.max(...deeds.map(({ lastAt }) => lastAt.getTime())),
    kinds: deeds.map(({ kind, count }) => ({ kind, count })),
    given,
    givenMinor: given.reduce(
      (sum, { amountMinor, currency }) => sum + (comparableMinor(amountMinor, currency, channel) ?? 0),
      0,
    ),
    points: pointsOf === null ? null : ((await readBalances(db, channelId, [pointsOf])).get(pointsOf) ?? null),
  }
})
