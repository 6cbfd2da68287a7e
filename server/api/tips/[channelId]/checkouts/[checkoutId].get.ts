import { defineEventHandler, setResponseHeader } from 'h3'
import type { ThanksView } from '../../../../../contract/tips.ts'
import { feedSource } from '../../../../../core/events/feedSource.ts'
import { findCheckout, findEventOf, playsOf } from '../../../../db/queries/tips.ts'
import { callerOf } from '../../../../http/caller.ts'
import { pathId } from '../../../../http/pathId.ts'
import { problemError } from '../../../../system/problemError.ts'
import { withTipPage } from '../../../../tips/surroundings.ts'
import { placeOf } from '../../../../tips/placeOf.ts'
import { tipExternalId } from '../../../../tips/tipEvents.ts'
import { readTipPage, tipGoal } from '../../../../tips/tipViews.ts'

/** How a tip stands, for whoever left it: its address is as long as a secret. */
export default defineEventHandler(async (event): Promise<ThanksView> => {
  const { of, tips, channelId, db } = await withTipPage(event)
  await tips.tipLimits.count('thanks', callerOf(event).address)
  setResponseHeader(event, 'cache-control', 'no-store')
  const row = await findCheckout(db, pathId(event, 'checkoutId'))
  if (row?.channelId !== channelId) throw problemError(404, 'There is no such tip here.')
  const about = await of()
  const source = feedSource(row.feedId)
  const known = await findEventOf(db, channelId, source, tipExternalId(row.id))
  const { page } = await readTipPage(about)
  return {
    channel: about.name,
    ...{ state: row.state, name: row.name, amountMinor: row.amountMinor, currency: row.currency },
    place: known ? placeOf(await playsOf(db, known.id)) : null,
    goal: await tipGoal(about, page, source),
  }
})
