import { defineEventHandler, setResponseHeaders } from 'h3'
import { localMoment } from '../../../core/time/localMoment.ts'
import { listAllCampaigns, listFigures } from '../../db/queries/sponsors.ts'
import { figuresCsv } from '../../sponsors/sponsorViews.ts'
import { withSponsors } from '../../sponsors/surroundings.ts'

const daysBack = 400

/** What came of every campaign on every day of the last year, as CSV; also of those that were put away. */
export default defineEventHandler(async (event) => {
  const { channelId, db, channel, nowMs } = await withSponsors(event, 'moderator')
  const { timeZone, currency } = await channel()
  const [rows, days] = await Promise.all([
    listAllCampaigns(db, channelId),
    listFigures(db, channelId, timeZone, localMoment(nowMs, timeZone).day - daysBack),
  ])
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="sponsors.csv"',
    'cache-control': 'no-store',
  })
  return figuresCsv(rows, days, currency)
})
