import { getHeader, type H3Event } from 'h3'
import { useChannels } from '../channel/port.ts'
import type { KnownFeed } from '../channel/feedDirectory.ts'
import { useDatabase } from '../db/port.ts'
import { tallyRefused } from '../db/queries/feeds.ts'
import { pathId } from '../http/pathId.ts'
import { readBounded } from '../http/readBounded.ts'
import { problemError } from '../system/problemError.ts'
import { verifyDelivery } from './verifyDelivery.ts'

/** The feed that an address names. @throws 404 where there is none */
export async function feedOfPath(event: H3Event): Promise<KnownFeed> {
  const { feeds } = await useChannels()
  const feed = await feeds.find(pathId(event, 'feedId'))
  if (!feed) throw problemError(404, 'There is no such feed.')
  return feed
}

/**
 * Reads what was signed with a feed's secret. What is refused is tallied.
 * @throws 401 where the signature does not hold, 413 where it is too large
 */
export async function readVerified(
  event: H3Event,
  { id, secret }: KnownFeed,
  maxBytes: number,
): Promise<{ raw: string; webhookId: string }> {
  const raw = await readBounded(event, maxBytes)
  const verified = verifyDelivery(secret, raw, {
    id: getHeader(event, 'webhook-id'),
    timestamp: getHeader(event, 'webhook-timestamp'),
    signature: getHeader(event, 'webhook-signature'),
  })
  if (verified.ok) return { raw, webhookId: verified.value }
  const { database } = await useDatabase()
  await tallyRefused(database.db, id)
  throw problemError(401, verified.error)
}
