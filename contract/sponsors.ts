import * as z from 'zod'
import type { DayFigures, Figures, Worth } from '../core/campaign/figures.ts'
import type { Eligibility } from '../core/campaign/rotation.ts'
import { campaign, type Campaign } from '../core/campaign/schema.ts'

export interface CampaignView {
  campaign: Campaign
  revision: number
  /** The short address that is counted; null: it leads nowhere. */
  goUrl: string | null
  /** Whether its turn may come now, and why not. */
  stands: Eligibility
  /** Of the days that are shown. */
  figures: Figures & Worth
}

export interface SponsorsView {
  campaigns: CampaignView[]
  /** What came of each on each of the last days, where something did. */
  days: DayFigures[]
  /** The last of them, as days since 1970 on the channel's calendar, and how many they are. */
  today: number
  dayCount: number
  /** How many watch now, as feeds say. */
  watching: number
  /** Whether a board on air has a place for lines, and a box an alert. */
  hasLines: boolean
  hasAlerts: boolean
}

export const newCampaignBody = z.object({ campaign: z.looseObject({}) })
export const changeCampaignBody = z.object({ campaign, revision: z.int().min(0) })
export const removeCampaignBody = z.object({ isRemoved: z.boolean() })
