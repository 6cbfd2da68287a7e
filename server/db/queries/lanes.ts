import { laneOfBox, laneOfChannel } from '../../../core/response/lane.ts'
import type { Database } from '../handle.ts'
import { lane } from '../liveSchema.ts'

/** Adds a channel's lane. Nobody owns it yet. */
export async function addChannelLane(db: Database, channelId: string): Promise<void> {
  await db
    .insert(lane)
    .values({ id: laneOfChannel(channelId), channelId })
    .onConflictDoNothing()
}

/** Adds a box's lane. Nobody owns it yet. */
export async function addLane(db: Database, boxId: string, channelId: string): Promise<void> {
  await db
    .insert(lane)
    .values({ id: laneOfBox(boxId), channelId })
    .onConflictDoNothing()
}
