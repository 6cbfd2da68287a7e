import { defineEventHandler, getHeader, setResponseStatus } from 'h3'
import { paymentNotice } from '../../../../contract/tips.ts'
import { useChannels } from '../../../channel/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { tallyRefused } from '../../../db/queries/feeds.ts'
import { verifyDelivery } from '../../../feeds/verifyDelivery.ts'
import { pathId } from '../../../http/pathId.ts'
import { readBounded } from '../../../http/readBounded.ts'
import { parseJson } from '../../../http/readChecked.ts'
import { issuesOf, problemError } from '../../../system/problemError.ts'
import { useTips } from '../../../tips/port.ts'

const maxBytes = 16 * 1024

/** What a payment provider says of a checkout, signed after the Standard Webhooks specification. Answers after it is durable. */
export default defineEventHandler(async (event) => {
  const [{ database }, { feeds }, { tipDesk }] = await Promise.all([useDatabase(), useChannels(), useTips()])
  const feed = await feeds.find(pathId(event, 'feedId'))
  if (!feed) throw problemError(404, 'There is no such feed.')
  const raw = await readBounded(event, maxBytes)
  const verified = verifyDelivery(feed.secret, raw, {
    id: getHeader(event, 'webhook-id'),
    timestamp: getHeader(event, 'webhook-timestamp'),
    signature: getHeader(event, 'webhook-signature'),
  })
  if (!verified.ok) {
    await tallyRefused(database.db, feed.id)
    throw problemError(401, verified.error)
  }
  const notice = paymentNotice.safeParse(parseJson(raw))
  if (!notice.success) throw problemError(422, 'This is no notice of a payment.', issuesOf(notice.error))
  // What was paid is heard also while the feed is unlinked: the money is there.
  if (!(await tipDesk.hear(feed, verified.value, raw, notice.data)))
    throw problemError(404, 'No checkout of this feed has that reference.')
  setResponseStatus(event, 202)
  return { heard: true }
})
