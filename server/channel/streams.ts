import type { Database } from '../db/handle.ts'
import { listBoxes } from '../db/queries/boxes.ts'
import { readChannel, setStreamBegan } from '../db/queries/people.ts'

interface StreamsDependencies {
  db: Database
  now: () => number
  /** Whether somebody shows something of a channel just now. */
  isPresent: (channelId: string) => boolean
}

/** Sources that are away for less belong to the same stream: a program that is started again, a line that broke. */
const sameStreamMs = 30 * 60_000

/** When streams began: with the first source of a channel after half an hour without any. Asked by whoever carries the channel out. */
export class Streams {
  private readonly known = new Map<string, { beganMs: number; presentMs: number }>()

  constructor(private readonly deps: StreamsDependencies) {}

  /** When the stream of a channel began that goes on, or was the last; 0: there was none. */
  async beganMs(channelId: string): Promise<number> {
    const { db, now, isPresent } = this.deps
    const nowMs = now()
    const known = this.known.get(channelId) ?? (await this.load(channelId))
    this.known.set(channelId, known)
    if (!isPresent(channelId)) return known.beganMs
    if (known.beganMs === 0 || nowMs - known.presentMs > sameStreamMs) {
      known.beganMs = nowMs
      await setStreamBegan(db, channelId, new Date(nowMs))
    }
    known.presentMs = nowMs
    return known.beganMs
  }

  private async load(channelId: string): Promise<{ beganMs: number; presentMs: number }> {
    const { db, now } = this.deps
    const began = (await readChannel(db, channelId))?.streamBeganAt?.getTime() ?? 0
    const absent = (await listBoxes(db, channelId)).map(({ absentSince }) => absentSince?.getTime() ?? now())
    return { beganMs: began, presentMs: Math.max(began, ...absent) }
  }
}
