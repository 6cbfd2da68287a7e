import Papa from 'papaparse'
import type { SponsorsView } from '../../contract/sponsors.ts'
import { together, worthOf, type DayFigures } from '../../core/campaign/figures.ts'
import { eligibilityOf, neverShown } from '../../core/campaign/rotation.ts'
import { minorDigits } from '../../core/minorDigits.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { localMoment } from '../../core/time/localMoment.ts'
import type { Database } from '../db/handle.ts'
import { countWatching } from '../db/queries/feeds.ts'
import { findRotation, listCampaigns, listFigures, type CampaignRow } from '../db/queries/sponsors.ts'
import { lineParts, watchingBelievedMs } from './sponsorKeeper.ts'

/** So many days are shown. */
const dayCount = 30

export interface SponsorsAsked {
  db: Database
  channelId: string
  channel: ChannelOnAir
  nowMs: number
  goUrl: (code: string) => string
}

const of = (days: readonly DayFigures[], id: string) => days.filter(({ campaignId }) => campaignId === id)

/** The campaigns of a channel with what came of them. */
export async function sponsorsView({ db, channelId, channel, nowMs, goUrl }: SponsorsAsked): Promise<SponsorsView> {
  const { timeZone, boards, boxes } = channel
  const today = localMoment(nowMs, timeZone).day
  const [rows, days, state, watching] = await Promise.all([
    listCampaigns(db, channelId),
    listFigures(db, channelId, timeZone, today - dayCount + 1),
    findRotation(db, channelId),
    countWatching(db, channelId, new Date(nowMs - watchingBelievedMs)),
  ])
  return {
    campaigns: rows.map(({ document, revision, code }) => {
      const figures = together(of(days, document.id))
      return {
        ...{ campaign: document, revision, goUrl: document.link === null ? null : goUrl(code) },
        stands: eligibilityOf(document, state[document.id] ?? neverShown, nowMs, timeZone),
        figures: { ...figures, ...worthOf(document.worth, figures) },
      }
    }),
    ...{ days, today, dayCount, watching },
    hasLines: boards.some((board) => lineParts(board).length > 0),
    hasAlerts: boxes.some(({ version }) =>
      version?.document.alerts.some(({ kinds, isOn }) => isOn && kinds.includes('sponsorLine')),
    ),
  }
}

/** What no table program takes for a formula. */
const asText = (text: string) => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

/** What came of each campaign on each day, as CSV. Amounts are whole units of the channel's currency. */
export function figuresCsv(rows: readonly CampaignRow[], days: readonly DayFigures[], currency: string): string {
  const digits = minorDigits(currency)
  return Papa.unparse({
    fields: ['day', 'campaign', 'sponsor', 'shown', 'impressions', 'clicks', 'points', `earnings (${currency})`],
    data: days.map((figures) => {
      const { day, campaignId, shown, impressions, clicks } = figures
      const document = rows.find(({ id }) => id === campaignId)?.document
      const { points, earningsMinor } = document ? worthOf(document.worth, figures) : { points: 0, earningsMinor: 0 }
      const date = new Date(day * 86_400_000).toISOString().slice(0, 10)
      const earnings = (earningsMinor / 10 ** digits).toFixed(digits)
      return [date, campaignId, asText(document?.name ?? ''), shown, impressions, clicks, points, earnings]
    }),
  })
}
