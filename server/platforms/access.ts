import type { Reward } from '../../contract/triggers.ts'
import type { FeedRow } from '../db/queries/feeds.ts'

export type PlatformFeed = Pick<FeedRow, 'id' | 'channelId' | 'platform' | 'name' | 'secret'>

export type RewardFields = Omit<Reward, 'id'>

/** What this program may do on platforms on behalf of a channel. Only simulated ones are there; each real one is another. */
export interface PlatformAccess {
  /** Whether viewers spend points of the platform there. */
  hasRewards(platform: string): boolean
  hasChat(platform: string): boolean
  /** All rewards of the account as they are now. */
  rewards(feed: PlatformFeed): Promise<Reward[]>
  makeReward(feed: PlatformFeed, fields: RewardFields): Promise<Reward>
  /** @returns null for one that is not there any more */
  changeReward(feed: PlatformFeed, id: string, fields: Partial<RewardFields>): Promise<Reward | null>
  removeReward(feed: PlatformFeed, id: string): Promise<boolean>
  /** Says on the platform what became of something that was redeemed; refunded: its points go back. */
  settleRedemption(feed: PlatformFeed, redemptionId: string, as: 'fulfilled' | 'refunded'): Promise<void>
  /** Says something in the chat of the account. */
  say(feed: PlatformFeed, text: string): Promise<void>
  /** Who is there, and since when. */
  present(feed: PlatformFeed): { id: string; name: string; sinceMs: number }[]
}
