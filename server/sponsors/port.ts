import { definePort } from '../system/port.ts'
import type { Clicks } from './clicks.ts'
import type { SponsorKeeper } from './sponsorKeeper.ts'

/** What handlers need of sponsors. */
export interface SponsorsPort {
  sponsors: SponsorKeeper
  clicks: Clicks
  /** The address that leads where a campaign wants. */
  goUrl: (code: string) => string
}

export const { provide: provideSponsors, use: useSponsors } = definePort<SponsorsPort>('Sponsors')
