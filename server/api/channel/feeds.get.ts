import { defineEventHandler } from 'h3'
import type { FeedView } from '../../../contract/views.ts'
import { requireMember } from '../../auth/access.ts'
import { listFeeds, listKeptDeliveries } from '../../db/queries/feeds.ts'
import { useDatabase } from '../../db/port.ts'
import { useIngest } from '../../ingest/port.ts'

export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useDatabase()
  const { ingest } = await useIngest()
  const feeds: FeedView[] = []
  for (const feed of await listFeeds(database.db, channel.id)) {
    const kept = await listKeptDeliveries(database.db, feed.id, 5)
    const { id, platform, name, account, lagMs, acceptedCount, repeatedCount, rejectedCount, refusedCount } = feed
    feeds.push({
      ...{ id, platform, name, account, lagMs, acceptedCount, repeatedCount, rejectedCount, refusedCount },
      unlinkedAtMs: feed.unlinkedAt?.getTime() ?? null,
      lastDeliveryAtMs: feed.lastDeliveryAt?.getTime() ?? null,
      lastHeard: ingest.lastHeard(id),
      notUnderstood: kept.map(({ id: keptId, receivedAt, raw, note }) => ({
        id: keptId,
        receivedAtMs: receivedAt.getTime(),
        raw: raw.slice(0, 4000),
        note,
      })),
    })
  }
  return { feeds }
})
