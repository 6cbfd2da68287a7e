import * as z from 'zod'
import type { PageColours } from '../core/tip/pageLook.ts'

const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'a colour such as #1b2a41')

/** What the public pages of a channel are coloured after: what is written on them can be read whatever is chosen. */
export const pageColours = z.object({
  /** What they stand on; its hue. */
  plate: colour,
  /** What stands out on them. */
  accent: colour,
}) satisfies z.ZodType<PageColours>

/** How many days something is kept; null: for good. */
const days = z.number().int().min(30).max(3_650).nullable()
export const keeping = z.object({ historyDays: days, versionDays: days })
export type Keeping = z.infer<typeof keeping>
/** Nothing is thrown away until somebody says so. */
export const keptForGood: Keeping = { historyDays: null, versionDays: null }

const isTimeZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
const isLocale = (name: string): boolean => {
  try {
    return Intl.getCanonicalLocales(name).length === 1
  } catch {
    return false
  }
}

export const channelSettingsBody = z.object({
  name: z.string().trim().min(1, 'your viewers know it by a name').max(200),
  locale: z.string().min(2).max(35).refine(isLocale, 'a language such as en or pt-BR'),
  timeZone: z.string().min(1).max(60).refine(isTimeZone, 'a time zone such as Europe/Lisbon'),
  currency: z.string().regex(/^[A-Z]{3}$/, 'a currency such as EUR'),
  weekStart: z.number().int().min(1).max(7),
  pageColours: pageColours.nullable(),
})
export type ChannelSettingsBody = z.infer<typeof channelSettingsBody>
export type ChannelSettingsView = ChannelSettingsBody
