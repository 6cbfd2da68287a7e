import type { CampaignView } from '../../../contract/sponsors.ts'
import type { Campaign } from '../../../core/campaign/schema.ts'

/** Whether a campaign's turn may come now, and why not. */
export const standsWords: Record<CampaignView['stands'], string> = {
  shown: 'its turn may come',
  paused: 'paused',
  notYet: 'has not begun',
  over: 'over',
  outOfHours: 'not at this hour',
  tooSoon: 'was shown just now',
  enoughToday: 'enough for today',
  enoughInAll: 'shown often enough',
}

/** What a new campaign begins with. */
export const newCampaign = (nowMs: number): Omit<Campaign, 'id'> => ({
  ...{ name: 'New sponsor', words: 'This evening is brought to you by a new sponsor', mediaId: null, link: null },
  ...{ fromMs: nowMs, untilMs: null, everyMin: 15, hours: null, weight: 1, caps: { day: null, all: null } },
  ...{ isPaused: true, shownBy: 'line' },
  worth: { perThousandMinor: 0, perClickMinor: 0, pointsPerThousand: 0, pointsPerClick: 0 },
})

export const capWords = ({ day, all }: Campaign['caps']): string => {
  const parts = [day === null ? '' : `${day} times a day`, all === null ? '' : `${all} times in all`].filter(Boolean)
  return parts.length > 0 ? `at most ${parts.join(', ')}` : 'as often as its turn comes'
}
