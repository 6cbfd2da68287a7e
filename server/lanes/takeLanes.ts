import type { Database } from '../db/handle.ts'
import { findAnyBox } from '../db/queries/boxes.ts'
import type { Claimed } from '../db/queries/nodes.ts'
import type { BoxQueues } from '../queue/boxQueues.ts'

interface TakeLanesDependencies {
  db: Database
  queues: BoxQueues
  /** These lines are carried out here now. */
  onTaken: (boxIds: readonly string[]) => void
  /** A line that cannot be taken up goes back: whoever looks next tries. */
  giveBack: (boxId: string) => Promise<void>
  onError: (error: unknown) => void
}

/** Takes up the lines of lanes that were claimed. */
export class TakeLanes {
  constructor(private readonly deps: TakeLanesDependencies) {}

  async open(claimed: readonly Claimed[]): Promise<void> {
    const { db, queues, onTaken, giveBack, onError } = this.deps
    for (const { boxId, channelId, hold, leftAt } of claimed) {
      try {
        const box = await findAnyBox(db, channelId, boxId)
        if (box) await queues.open(box, hold, leftAt)
        onTaken([boxId])
      } catch (error) {
        onError(error)
        await giveBack(boxId).catch(onError)
      }
    }
  }
}
