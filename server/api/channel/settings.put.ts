import { defineEventHandler } from 'h3'
import { channelSettingsBody, type ChannelSettingsView } from '../../../contract/channelSettings.ts'
import { ratesIn } from '../../../core/money.ts'
import { requireMember } from '../../auth/access.ts'
import { useChannels } from '../../channel/port.ts'
import { changedWords, settingsOf } from '../../channel/settings.ts'
import { noteDeed } from '../../channel/trail.ts'
import { useDatabase } from '../../db/port.ts'
import { setChannelSettings } from '../../db/queries/channels.ts'
import { setRates } from '../../db/queries/goals.ts'
import { readChannel } from '../../db/queries/people.ts'
import { useGoals } from '../../goals/port.ts'
import { readChecked } from '../../http/readChecked.ts'
import { useScreens } from '../../live/port.ts'

/** Changes them: for everybody, from the next event and the next look at a page on. */
export default defineEventHandler(async (event): Promise<ChannelSettingsView> => {
  const session = await requireMember(event, 'owner')
  const { id } = session.channel
  const wanted = await readChecked(event, channelSettingsBody)
  const [{ database }, { onAir }, { stream }, { goalsChanged }] = await Promise.all([
    useDatabase(),
    useChannels(),
    useScreens(),
    useGoals(),
  ])
  const { db } = database
  const before = await settingsOf(db, id)
  const rates = (await readChannel(db, id))?.rates ?? {}
  await setChannelSettings(db, id, wanted)
  // What money is worth is said in the channel's own.
  if (wanted.currency !== before.currency) await setRates(db, id, ratesIn(rates, before.currency, wanted.currency))
  onAir.forget(id)
  await goalsChanged(id)
  stream.changed(id)
  await noteDeed(session, 'changedSettings', '', changedWords(before, wanted))
  return settingsOf(db, id)
})
