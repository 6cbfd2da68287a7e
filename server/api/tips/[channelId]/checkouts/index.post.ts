import { defineEventHandler, setResponseStatus } from 'h3'
import { tipBody, type TipAnswer } from '../../../../../contract/tips.ts'
import { choicesFor, cleanTip, tipFaults } from '../../../../../core/tip/checkTip.ts'
import { countUnpaid, forgetUnpaid } from '../../../../db/queries/tips.ts'
import { callerOf } from '../../../../http/caller.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { problemError } from '../../../../system/problemError.ts'
import { withTipPage } from '../../../../tips/surroundings.ts'
import { offeredWith, readTipPage, tipBox, whyClosed } from '../../../../tips/tipViews.ts'

const maxBytes = 64 * 1024
const hourMs = 3_600_000
const unpaidMost = 2_000
const unpaidKeptMs = 14 * 24 * hourMs

/** Keeps what somebody wants to leave, and says where it is paid. The same request again is the same tip. */
export default defineEventHandler(async (event): Promise<TipAnswer> => {
  const { of, tips, channelId, db } = await withTipPage(event)
  await tips.tipLimits.count('checkout', callerOf(event).address)
  await tips.tipLimits.count('channel', channelId)
  const { requestId, ...asked } = await readChecked(event, tipBody, maxBytes)
  const about = await of()
  const { page, till } = await readTipPage(about)
  const closed = whyClosed(page, till, about.canPay)
  if (closed !== null || !till) throw problemError(409, closed ?? 'Nothing can be left here.')
  const { currency, locale } = about.channel
  const tip = cleanTip(asked)
  const offered = offeredWith(tipBox(about.channel, about.nowMs)?.document ?? null)
  const choices = choicesFor(page, tip.amountMinor, offered)
  const faults = tipFaults(page, tip, { currency, locale, choices })
  if (faults.length > 0) throw problemError(422, faults[0]?.message ?? '', faults)
  if ((await countUnpaid(db, channelId, new Date(about.nowMs - hourMs))) >= unpaidMost)
    throw problemError(429, 'Too much was begun here and not paid. Try again later; nothing was lost.')
  await forgetUnpaid(db, channelId, new Date(about.nowMs - unpaidKeptMs))
  setResponseStatus(event, 201)
  return tips.tipDesk.open(till, requestId, tip, page.title)
})
