import { defineEventHandler } from 'h3'
import { findReceipt } from '../../../../db/queries/tips.ts'
import { pathId } from '../../../../http/pathId.ts'
import { problemError } from '../../../../system/problemError.ts'
import { withOwnTips } from '../../../../tips/surroundings.ts'
import { checkoutOfTip } from '../../../../tips/tipEvents.ts'
import { readTipPage, tipDeskView } from '../../../../tips/tipViews.ts'
import { feedSource } from '../../../../../core/events/feedSource.ts'
import { noteDeed } from '../../../../channel/trail.ts'

/** Gives a tip back: at the provider where it was paid there; whatever is derived from it goes. Again, it changes nothing. */
export default defineEventHandler(async (event) => {
  const { of, session, tips, channelId, db } = await withOwnTips(event, 'owner')
  const about = await of()
  const { tills } = await readTipPage(about)
  const tip = await findReceipt(db, channelId, pathId(event, 'eventId'))
  const till = tills.find(({ id }) => feedSource(id) === tip?.source)
  if (!tip || !till) throw problemError(404, 'There is no such tip on the receipts of this channel.')
  const checkoutId = checkoutOfTip(tip.externalId)
  if (checkoutId === null) await tips.tipDesk.takeOut(tip)
  else {
    // Its notice, that this is done, takes the tip out.
    if (!about.canPay)
      throw problemError(409, 'The payment provider does not answer. Nothing was given back; try again.')
    if (!(await tips.tipDesk.provider.refund(till.id, checkoutId)))
      throw problemError(409, 'The payment provider knows of nothing paid here, so nothing was given back.')
  }
  await noteDeed(session, 'gaveBack', 'a tip')
  return tipDeskView(await of(), tips.tipUrl(channelId), null)
})
