import { defineEventHandler, getHeader, sendRedirect, setResponseHeaders } from 'h3'
import { useDatabase } from '../../db/port.ts'
import { findCampaignByCode } from '../../db/queries/sponsors.ts'
import { useChannels } from '../../channel/port.ts'
import { callerOf } from '../../http/caller.ts'
import { pathId } from '../../http/pathId.ts'
import { useSponsors } from '../../sponsors/port.ts'
import { problemError } from '../../system/problemError.ts'
import { useRuntime } from '../../system/runtimePort.ts'

/** Leads where a campaign wants, and counts who follows: each visitor once a day, by a mark that nobody can read tomorrow. */
export default defineEventHandler(async (event) => {
  const [{ database, trouble }, { onAir }, { clicks }, { logger }] = await Promise.all([
    useDatabase(),
    useChannels(),
    useSponsors(),
    useRuntime(),
  ])
  const row = await findCampaignByCode(database.db, pathId(event, 'code'))
  const link = row?.document.link
  if (!row || !link) throw problemError(404, 'This link leads nowhere (any more).')
  const { timeZone } = await onAir.read(row.channelId)
  const purpose = `${getHeader(event, 'sec-purpose') ?? ''} ${getHeader(event, 'purpose') ?? ''}`
  const isOnlyLooking = event.node.req.method !== 'GET' || /prefetch|prerender|preview/i.test(purpose)
  const userAgent = (getHeader(event, 'user-agent') ?? '').slice(0, 400)
  // Whoever follows a link gets there, counted or not.
  await clicks
    .follow(row, { address: callerOf(event).address, userAgent, isOnlyLooking }, timeZone)
    .catch((error: unknown) => {
      if (!trouble.note(error)) logger.error({ err: error }, 'a click could not be counted')
    })
  setResponseHeaders(event, {
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-robots-tag': 'noindex',
  })
  return sendRedirect(event, link, 302)
})
