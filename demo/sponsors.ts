import type { Campaign } from '../core/campaign/schema.ts'
import { momentAt } from '../core/time/localMoment.ts'

const dayMs = 86_400_000

/** The 11th of December that comes next, at midnight in the bakery: a campaign until the 10th has that day. */
function endOfBoxes(nowMs: number, timeZone: string): number {
  const year = new Date(nowMs).getUTCFullYear()
  const ends = [year, year + 1].map((each) => momentAt(Date.UTC(each, 11, 11) / dayMs, 0, timeZone))
  return ends.find((atMs) => atMs > nowMs) ?? nowMs + 12 * dayMs
}

/** Who is thanked in the bakery, and what their addresses end in. */
export function demoCampaigns(nowMs: number, timeZone: string): { campaign: Campaign; code: string }[] {
  const usual = { mediaId: null, everyMin: 15, hours: null, caps: { day: null, all: null }, isPaused: false }
  const line = { ...usual, shownBy: 'line' as const }
  return [
    {
      code: 'hobtools',
      campaign: {
        ...{ ...line, id: 'hob', name: 'Hob & Daughter', words: 'dough scrapers by Hob & Daughter', weight: 1 },
        ...{ link: 'https://hob-and-daughter.example/', fromMs: nowMs - 60 * dayMs, untilMs: nowMs - 9 * dayMs },
        worth: { perThousandMinor: 300, perClickMinor: 0, pointsPerThousand: 0, pointsPerClick: 5 },
      },
    },
    {
      code: 'sorrel',
      campaign: {
        ...{ ...line, id: 'sorrel', name: 'Sorrel mill', words: 'tonight’s flour comes from the Sorrel mill' },
        ...{ link: 'https://sorrel-mill.example/night', weight: 2, fromMs: nowMs - 20 * dayMs, untilMs: null },
        worth: { perThousandMinor: 450, perClickMinor: 20, pointsPerThousand: 0, pointsPerClick: 0 },
      },
    },
    {
      code: 'quayside',
      campaign: {
        ...{ ...line, id: 'quayside', name: 'Quayside boxes', words: 'boxes that keep bread warm: Quayside boxes' },
        ...{ link: 'https://quayside-boxes.example/', weight: 1, fromMs: nowMs - 12 * dayMs },
        untilMs: endOfBoxes(nowMs, timeZone),
        worth: { perThousandMinor: 0, perClickMinor: 35, pointsPerThousand: 40, pointsPerClick: 10 },
      },
    },
  ]
}

/**
 * What came of them on nights before this one: always the same, so that pictures are. Each line is one turn that was seen.
 */
export function earlierTurns(nowMs: number): { campaignId: string; atMs: number; watching: number }[] {
  const nights = Array.from({ length: 26 }, (_, back) => back + 1)
  return nights.flatMap((back) => {
    const began = nowMs - back * dayMs - 3 * 3_600_000
    const watching = 70 + ((back * 37) % 55)
    // Four nights a week.
    if (back % 7 > 3) return []
    const turns = (campaignId: string, count: number) =>
      Array.from({ length: count }, (_, at) => ({
        campaignId,
        atMs: began + at * 15 * 60_000,
        watching: watching + at,
      }))
    return [
      ...(back <= 19 ? turns('sorrel', 8) : []),
      ...(back <= 11 ? turns('quayside', 4) : []),
      ...(back >= 10 ? turns('hob', 5) : []),
    ]
  })
}

/** How often their links were followed on those nights. */
export const earlierClicks = (back: number): Record<string, number> => ({
  sorrel: back <= 19 ? (back * 5) % 9 : 0,
  quayside: back <= 11 ? (back * 3) % 5 : 0,
  hob: back >= 10 ? back % 3 : 0,
})
