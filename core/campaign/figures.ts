import type { Campaign } from './schema.ts'

/** What came of a campaign on one day of the channel. */
export interface DayFigures {
  campaignId: string
  /** Days since 1970 on the channel's calendar. */
  day: number
  /** How often a source showed the whole of it. */
  shown: number
  /** The same, times those who watched. */
  impressions: number
  clicks: number
}

/** What that is worth. */
export interface Worth {
  points: number
  /** Estimated, in minor units of the channel's currency. */
  earningsMinor: number
}

/** What impressions and clicks are worth, rounded down: an estimate promises nothing that is not there. */
export function worthOf(
  { perThousandMinor, perClickMinor, pointsPerThousand, pointsPerClick }: Campaign['worth'],
  { impressions, clicks }: Pick<DayFigures, 'impressions' | 'clicks'>,
): Worth {
  return {
    points: Math.floor((impressions * pointsPerThousand) / 1000) + clicks * pointsPerClick,
    earningsMinor: Math.floor((impressions * perThousandMinor) / 1000) + clicks * perClickMinor,
  }
}

export type Figures = Pick<DayFigures, 'shown' | 'impressions' | 'clicks'>
export const noFigures: Figures = { shown: 0, impressions: 0, clicks: 0 }

/** Several days together. */
export const together = (days: readonly Figures[]): Figures =>
  days.reduce<Figures>(
    (sum, { shown, impressions, clicks }) => ({
      shown: sum.shown + shown,
      impressions: sum.impressions + impressions,
      clicks: sum.clicks + clicks,
    }),
    noFigures,
  )
