import { defineEventHandler } from 'h3'
import { localMoment } from '../../../core/time/localMoment.ts'
import { listAllCampaigns, listFigures } from '../../db/queries/sponsors.ts'
import { figuresCsv } from '../../sponsors/sponsorViews.ts'
import { saysFile } from '../../http/saysFile.ts'
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
  saysFile(event, 'sponsors', 'csv')
  return figuresCsv(rows, days, currency)
})
