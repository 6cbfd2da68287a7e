import { defineEventHandler, getHeader, setResponseStatus } from 'h3'
import { parseBounded } from '../../../../core/json/jsonBounds.ts'
import { cleanedDeep } from '../../../../core/json/unstorable.ts'
import { tallyRefused } from '../../../db/queries/feeds.ts'
import { adapterOf } from '../../../feeds/adapters.ts'
import { verifyDelivery } from '../../../feeds/verifyDelivery.ts'
import { pathId } from '../../../http/pathId.ts'
import { readBounded } from '../../../http/readBounded.ts'
import { problemError } from '../../../system/problemError.ts'
import { useChannels } from '../../../channel/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { useIngest } from '../../../ingest/port.ts'

const maxBytes = 256 * 1024

/** A platform's raw payload, signed after the Standard Webhooks specification. Answers after the events are durable. */
export default defineEventHandler(async (event) => {
  const { database } = await useDatabase()
  const { feeds } = await useChannels()
  const { ingest } = await useIngest()
  const feed = await feeds.find(pathId(event, 'feedId'))
  if (!feed) throw problemError(404, 'There is no such feed.')
  if (feed.unlinkedAt)
    throw problemError(410, 'This feed was unlinked. Link the account again, and what happens is heard again.')
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
  const translation = translate(adapterOf(feed.platform), raw, feed.id)
  const { events, removals, watching } = translation
  if (events.length === 0 && removals.length === 0 && watching === null) {
    await ingest.keepNotUnderstood(feed, verified.value, raw, translation.rejected.join('\n'))
    throw problemError(
      422,
      'Nothing in this delivery was understood. It was kept for inspection; nothing else was written.',
      translation.rejected.slice(0, 20).map((message) => ({ path: '', message })),
    )
  }
  setResponseStatus(event, 202)
  return ingest.acceptDelivery(feed, verified.value, raw, translation)
})

function translate(adapter: ReturnType<typeof adapterOf>, raw: string, feedId: string) {
  const payload = parseBounded(raw)
  if (!payload.ok)
    return {
      events: [],
      removals: [],
      watching: null,
      rejected: [payload.error.isTooMuch ? payload.error.words : 'The body is not JSON.'],
    }
  return (
    // What no database keeps goes, before anything is made of it.
    adapter.translate(cleanedDeep(payload.value), feedId) ?? {
      events: [],
      removals: [],
      watching: null,
      rejected: [`This is not a payload of ${adapter.platform}.`],
    }
  )
}
