import { boxOfLane, type Lane } from '../../core/response/lane.ts'
import type { Database } from '../db/handle.ts'
import { findAnyBox } from '../db/queries/boxes.ts'
import type { Claimed } from '../db/queries/nodes.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import type { BoxQueues } from '../queue/boxQueues.ts'

interface TakeLanesDependencies {
  db: Database
  queues: BoxQueues
  /** Takes up what viewers of a channel set off. */
  openChannel: (channelId: string, hold: LaneHold) => Promise<void>
  /** These lines are carried out here now. */
  onTaken: (lanes: readonly Lane[]) => void
  /** A line that cannot be taken up goes back: whoever looks next tries. */
  giveBack: (lane: Lane) => Promise<void>
  onError: (error: unknown) => void
}

/** Takes up the lines of lanes that were claimed. */
export class TakeLanes {
  constructor(private readonly deps: TakeLanesDependencies) {}

  async open(claimed: readonly Claimed[]): Promise<void> {
    const { onTaken, giveBack, onError } = this.deps
    // What a channel's viewers set off is shown in the lines of its boxes: those are there first.
    const boxesFirst = claimed.toSorted((a, b) => Number(isOfBox(b)) - Number(isOfBox(a)))
    for (const each of boxesFirst) {
      const { lane } = each.hold
      try {
        await this.openOne(each)
        onTaken([lane])
      } catch (error) {
        onError(error)
        await giveBack(lane).catch(onError)
      }
    }
  }

  private async openOne({ channelId, hold, leftAt }: Claimed): Promise<void> {
    const { db, queues, openChannel } = this.deps
    const boxId = boxOfLane(hold.lane)
    if (boxId === null) return openChannel(channelId, hold)
    const box = await findAnyBox(db, channelId, boxId)
    if (box) await queues.open(box, hold, leftAt)
  }
}

const isOfBox = ({ hold }: Claimed) => boxOfLane(hold.lane) !== null
