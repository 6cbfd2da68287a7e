import type { Database } from '../db/handle.ts'
import { listFeeds, type FeedRow } from '../db/queries/feeds.ts'
import type { RunRow } from '../db/queries/runs.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import type { Reward } from '../../contract/triggers.ts'
import type { PlatformAccess } from './access.ts'

interface PlatformDeskDependencies {
  db: Database
  platforms: PlatformAccess
  steadyMs: () => number
}

/** A chat takes no more lines of one program at once, and so many more each second. */
const linesAtOnce = 20
const linesEachS = 2

/** What a channel says and does on its platforms. */
export class PlatformDesk {
  private readonly room = new Map<string, { lines: number; atMs: number }>()

  constructor(private readonly deps: PlatformDeskDependencies) {}

  /**
   * Says something in the chats of a channel.
   * @param source only where this was heard; null: everywhere
   * @returns why it could not be said; empty where it was
   */
  async say(channelId: string, text: string, source: string | null): Promise<string> {
    if (text === '') return 'there was nothing to say'
    const { platforms } = this.deps
    const feeds = (await this.feeds(channelId)).filter(
      ({ id, platform }) => platforms.hasChat(platform) && (source === null || feedSource(id) === source),
    )
    if (feeds.length === 0) return 'no chat is linked'
    if (!this.hasRoom(channelId)) return 'the chat takes no more for a moment'
    for (const feed of feeds) await platforms.say(feed, text)
    return ''
  }

  /** Says on its platform what became of something that was redeemed there. */
  async settleRedemption({ channelId, event }: RunRow, as: 'fulfilled' | 'refunded'): Promise<void> {
    const feed = (await this.feeds(channelId)).find(({ id }) => feedSource(id) === event.source)
    if (feed && event.kind === 'redemption') await this.deps.platforms.settleRedemption(feed, event.externalId, as)
  }

  /** All rewards of a channel as its platforms have them now. */
  async rewards(channelId: string): Promise<{ feed: FeedRow; reward: Reward }[]> {
    const { platforms } = this.deps
    const feeds = (await this.feeds(channelId)).filter(({ platform }) => platforms.hasRewards(platform))
    const lists = await Promise.all(
      feeds.map(async (feed) => (await platforms.rewards(feed)).map((reward) => ({ feed, reward }))),
    )
    return lists.flat()
  }

  /** Who is in the chats of a channel. */
  async present(channelId: string): Promise<{ viewerId: string; name: string; sinceMs: number }[]> {
    return (await this.feeds(channelId)).flatMap((feed) =>
      this.deps.platforms
        .present(feed)
        .map(({ id, name, sinceMs }) => ({ viewerId: `${feedSource(feed.id)}/${id}`, name, sinceMs })),
    )
  }

  private async feeds(channelId: string): Promise<FeedRow[]> {
    return (await listFeeds(this.deps.db, channelId)).filter(({ unlinkedAt }) => unlinkedAt === null)
  }

  private hasRoom(channelId: string): boolean {
    const nowMs = this.deps.steadyMs()
    const { lines, atMs } = this.room.get(channelId) ?? { lines: linesAtOnce, atMs: nowMs }
    const left = Math.min(linesAtOnce, lines + ((nowMs - atMs) / 1000) * linesEachS)
    this.room.set(channelId, { lines: Math.max(0, left - 1), atMs: nowMs })
    return left >= 1
  }
}
