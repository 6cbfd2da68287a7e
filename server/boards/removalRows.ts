import type { removal } from '../db/liveSchema.ts'
import type { Removal } from '../feeds/adapter.ts'

/** What a delivery says was taken away, as it is kept: sent again, it is the same. */
export const removalRows = (
  channelId: string,
  deliveryId: string,
  removals: readonly Removal[],
  at: Date,
): (typeof removal.$inferInsert)[] =>
  removals.map((each, index) => ({
    ...{ id: `${channelId}/${deliveryId}/${index}`, channelId, source: each.source, at },
    externalId: 'externalId' in each ? each.externalId : null,
    viewerId: 'viewerId' in each ? each.viewerId : null,
  }))
