import type { Database } from '../db/handle.ts'
import { findFeed, type FeedRow } from '../db/queries/feeds.ts'

/** What checking a delivery needs to know of its feed. */
export type KnownFeed = Pick<FeedRow, 'id' | 'channelId' | 'platform' | 'secret' | 'unlinkedAt'>

/** Keeps the feeds that deliver at hand: checking a signature asks the database nothing. */
export class FeedDirectory {
  private readonly known = new Map<string, KnownFeed>()

  /** @param onForget told of what is forgotten here, so that others forget it too */
  constructor(
    private readonly db: Database,
    private readonly onForget: (feedId: string) => void = () => undefined,
  ) {}

  /** The feed, or null when there is none. What is not there is asked for again each time. */
  async find(id: string): Promise<KnownFeed | null> {
    const kept = this.known.get(id)
    if (kept) return kept
    const found = await findFeed(this.db, id)
    if (found) this.known.set(id, found)
    return found
  }

  /** After a feed was linked, unlinked or given another secret. */
  forget(id: string): void {
    this.forgetHere(id)
    this.onForget(id)
  }

  /** Another process said so. @param id null: of all feeds */
  forgetHere(id: string | null): void {
    if (id === null) this.known.clear()
    else this.known.delete(id)
  }
}
