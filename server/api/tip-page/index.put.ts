import { defineEventHandler } from 'h3'
import { changeTipPageBody } from '../../../contract/tips.ts'
import { addFeed, listFeeds } from '../../db/queries/feeds.ts'
import { keepTipPage } from '../../db/queries/tips.ts'
import { newDeliverySecret } from '../../feeds/linking.ts'
import { readChecked } from '../../http/readChecked.ts'
import { useScreens } from '../../live/port.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'
import { withOwnTips } from '../../tips/surroundings.ts'
import { tipDeskView } from '../../tips/tipViews.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Changes the tip page. A channel that opens it for the first time is given the feed in which its tips happen. */
export default defineEventHandler(async (event) => {
  const { of, session, tips, channelId, channels, db } = await withOwnTips(event, 'editor')
  const { page, revision } = await readChecked(event, changeTipPageBody)
  if (!(await keepTipPage(db, channelId, page, revision)))
    throw problemError(409, 'Somebody else has changed the tip page meanwhile. It is shown as it is now.')
  if (page.isOpen && !(await listFeeds(db, channelId)).some(({ platform }) => platform === 'till'))
    await addFeed(db, {
      ...{ id: newId('feed'), channelId, platform: 'till', name: 'Till', account: 'tip-page' },
      secret: newDeliverySecret(),
    })
  channels.onAir.forget(channelId)
  const { stream } = await useScreens()
  stream.changed(channelId)
  await noteDeed(session, 'changedTipPage', '', page.isOpen ? 'open' : 'closed')
  return tipDeskView(await of(), tips.tipUrl(channelId), null)
})
