import { defineEventHandler, getHeader, sendRedirect, setResponseHeaders } from 'h3'
import { useDatabase } from '../../db/port.ts'
import { findCampaignByCode } from '../../db/queries/sponsors.ts'
import { useChannels } from '../../channel/port.ts'
import { callerOf } from '../../http/caller.ts'
import { pathId } from '../../http/pathId.ts'
import { useSponsors } from '../../sponsors/port.ts'
import { problemError } from '../../system/problemError.ts'

/** Leads where a campaign wants, and counts who follows: each visitor once a day, by a mark that nobody can read tomorrow. */
export default defineEventHandler(async (event) => {
  const [{ database }, { onAir }, { clicks }] = await Promise.all([useDatabase(), useChannels(), useSponsors()])
  const row = await findCampaignByCode(database.db, pathId(event, 'code'))
  const link = row?.document.link
  if (!row || !link) throw problemError(404, 'This link leads nowhere (any more).')
  const { timeZone } = await onAir.read(row.channelId)
  const purpose = `${getHeader(event, 'sec-purpose') ?? ''} ${getHeader(event, 'purpose') ?? ''}`
  const isOnlyLooking = event.node.req.method !== 'GET' || /prefetch|prerender|preview/i.test(purpose)
  const userAgent = (getHeader(event, 'user-agent') ?? '').slice(0, 400)
  await clicks.follow(row, { address: callerOf(event).address, userAgent, isOnlyLooking }, timeZone)
  setResponseHeaders(event, {
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-robots-tag': 'noindex',
  })
  return sendRedirect(event, link, 302)
})
