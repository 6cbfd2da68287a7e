import { defineEventHandler, setResponseStatus } from 'h3'
import { parseBounded } from '../../../../core/json/jsonBounds.ts'
import { cleanedDeep } from '../../../../core/json/unstorable.ts'
import { adapterOf } from '../../../feeds/adapters.ts'
import { feedOfPath, readVerified } from '../../../feeds/readVerified.ts'
import { problemError } from '../../../system/problemError.ts'
import { useIngest } from '../../../ingest/port.ts'

const maxBytes = 256 * 1024

/** A platform's raw payload, signed after the Standard Webhooks specification. Answers after the events are durable. */
export default defineEventHandler(async (event) => {
  const { ingest } = await useIngest()
  const feed = await feedOfPath(event)
  if (feed.unlinkedAt)
    throw problemError(410, 'This feed was unlinked. Link the account again, and what happens is heard again.')
  const { raw, webhookId } = await readVerified(event, feed, maxBytes)
  const translation = translate(adapterOf(feed.platform), raw, feed.id)
  const { events, removals, watching } = translation
  if (events.length === 0 && removals.length === 0 && watching === null) {
    await ingest.keepNotUnderstood(feed, webhookId, raw, translation.rejected.join('\n'))
    throw problemError(
      422,
      'Nothing in this delivery was understood. It was kept for inspection; nothing else was written.',
      translation.rejected.slice(0, 20).map((message) => ({ path: '', message })),
    )
  }
  setResponseStatus(event, 202)
  return ingest.acceptDelivery(feed, webhookId, raw, translation)
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
