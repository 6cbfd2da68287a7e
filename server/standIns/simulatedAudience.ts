import type { Database } from '../db/handle.ts'
import { listFeeds } from '../db/queries/feeds.ts'
import type { SimulatedPlatforms } from './simulatedPlatforms.ts'

interface SimulatedAudienceDependencies {
  db: Database
  now: () => number
  platforms: Pick<SimulatedPlatforms, 'sayAudience' | 'present'>
  /** The channels that this process carries out. */
  channels: () => readonly string[]
  standInsAnswer: () => Promise<boolean>
  onError: (error: unknown) => void
}

const firstAfterMs = 2_000
const everyMs = 30_000
const usual = 62
const swing = 27
const swingMs = 40 * 60_000

/** So many watch a simulated platform: the night ebbs and flows, and whoever chats there watches. */
export const audienceAt = (nowMs: number, chatting: number): number =>
  Math.round(usual + swing * Math.sin((2 * Math.PI * nowMs) / swingMs)) + chatting

/** Has simulated platforms say how many watch, as real ones do: again and again, over their own deliveries. */
export class SimulatedAudience {
  private timer: ReturnType<typeof setTimeout>

  constructor(private readonly deps: SimulatedAudienceDependencies) {
    this.timer = this.plan(firstAfterMs)
  }

  close(): void {
    clearTimeout(this.timer)
  }

  private plan(afterMs: number): ReturnType<typeof setTimeout> {
    return setTimeout(() => void this.say(), afterMs).unref()
  }

  private async say(): Promise<void> {
    const { db, now, platforms, channels, standInsAnswer, onError } = this.deps
    try {
      if (await standInsAnswer())
        for (const channelId of channels())
          for (const feed of await listFeeds(db, channelId))
            if (feed.unlinkedAt === null)
              await platforms.sayAudience(feed, audienceAt(now(), platforms.present(feed).length))
    } catch (error) {
      onError(error)
    }
    this.timer = this.plan(everyMs)
  }
}
