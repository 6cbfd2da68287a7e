import { eq, sql } from 'drizzle-orm'
import { laneOfBox, type Lane } from '../../../core/response/lane.ts'
import type { Database } from '../handle.ts'
import { lane, node } from '../schema.ts'
import type { LaneHold } from './playRecords.ts'

/** A lane that was taken, with when its last owner was last known to carry it out; null: nobody ever did. */
export interface TakenLane extends LaneHold {
  lane: Lane
  leftAt: Date | null
}

/** Adds a box's lane. Nobody owns it yet. */
export async function addLane(db: Database, boxId: string, channelId: string): Promise<void> {
  await db
    .insert(lane)
    .values({ id: laneOfBox(boxId), channelId })
    .onConflictDoNothing()
}
