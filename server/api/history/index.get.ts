import { defineEventHandler, getValidatedQuery } from 'h3'
import { issuesOf } from '../../../contract/issuesOf.ts'
import { historyPageMost, historyQuery, type HistoryView } from '../../../contract/history.ts'
import { listHistory } from '../../db/queries/history.ts'
import { historyEntries, namesOf } from '../../history/historyViews.ts'
import { historyWish } from '../../history/historyWish.ts'
import { sendHistory } from '../../history/sendHistory.ts'
import { withHistory } from '../../history/surroundings.ts'
import { problemError } from '../../system/problemError.ts'

/** What happened in a channel and what became of it, newest first; as CSV or as NDJSON of CloudEvents all of it, oldest first. */
export default defineEventHandler(async (event): Promise<HistoryView | undefined> => {
  const { channelId, locale, db, channel } = await withHistory(event, 'moderator')
  const asked = await getValidatedQuery(event, historyQuery.safeParse)
  if (!asked.success) throw problemError(422, `A page has at most ${historyPageMost} events.`, issuesOf(asked.error))
  const { before, limit, as, ...filter } = asked.data
  const wish = historyWish(filter, channel)
  if (as !== 'json') {
    await sendHistory(event, as, { db, channelId, locale, wish })
    return undefined
  }
  const { rows, goesOnBehind } = await listHistory(
    ...([db, channelId, wish, { first: 'newest', behind: before ?? null }, limit] as const),
  )
  return { entries: await historyEntries(db, rows, await namesOf(db, channelId), locale), nextBefore: goesOnBehind }
})
