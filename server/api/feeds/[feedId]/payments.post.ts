import { defineEventHandler, setResponseStatus } from 'h3'
import { issuesOf } from '../../../../contract/issuesOf.ts'
import { paymentNotice } from '../../../../contract/tips.ts'
import { feedOfPath, readVerified } from '../../../feeds/readVerified.ts'
import { parseJson } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { useTips } from '../../../tips/port.ts'

const maxBytes = 16 * 1024

/** What a payment provider says of a checkout, signed after the Standard Webhooks specification. Answers after it is durable. */
export default defineEventHandler(async (event) => {
  const { tipDesk } = await useTips()
  const feed = await feedOfPath(event)
  const { raw, webhookId } = await readVerified(event, feed, maxBytes)
  const notice = paymentNotice.safeParse(parseJson(raw))
  if (!notice.success) throw problemError(422, 'This is no notice of a payment.', issuesOf(notice.error))
  // What was paid is heard also while the feed is unlinked: the money is there.
  if (!(await tipDesk.hear(feed, webhookId, raw, notice.data)))
    throw problemError(404, 'No checkout of this feed has that reference.')
  setResponseStatus(event, 202)
  return { heard: true }
})
