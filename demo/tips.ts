import type { TipPage } from '../core/tip/page.ts'
import { usualTipPage } from '../core/tip/page.ts'

/** What Lantern Loaf says to those who leave something. */
export const demoTipPage: TipPage = {
  ...usualTipPage('Lantern Loaf', 'EUR'),
  isOpen: true,
  title: 'A loaf for the night bakers',
  about: 'Lantern Loaf bakes live from ten at night. What you leave here buys flour, and a new oven.',
  ...{ presets: [300, 500, 2500, 5000], leastMinor: 200, lettersMost: 200, offerFromMinor: 2000, returnDays: 14 },
}
