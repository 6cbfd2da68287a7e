import type { ChannelSettingsView } from '../../contract/channelSettings.ts'
import type { Database } from '../db/handle.ts'
import { readChannel } from '../db/queries/people.ts'
import { problemError } from '../system/problemError.ts'

/** @throws 404 where there is no such channel */
export async function settingsOf(db: Database, channelId: string): Promise<ChannelSettingsView> {
  const row = await readChannel(db, channelId)
  if (!row) throw problemError(404, 'There is no such channel here.')
  const { name, locale, timeZone, currency, weekStart, pageColours } = row
  return { name, locale, timeZone, currency, weekStart, pageColours }
}

const called: Readonly<Record<keyof ChannelSettingsView, string>> = {
  name: 'its name',
  locale: 'its language',
  timeZone: 'its time zone',
  currency: 'its currency',
  weekStart: 'when its week begins',
  pageColours: 'the colours of its pages',
}

/** What is another now, in words: “its name, its currency”. */
export const changedWords = (before: ChannelSettingsView, now: ChannelSettingsView): string =>
  (Object.keys(called) as (keyof ChannelSettingsView)[])
    .filter((each) => JSON.stringify(before[each]) !== JSON.stringify(now[each]))
    .map((each) => called[each])
    .join(', ')
