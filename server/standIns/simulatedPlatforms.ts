import { emotes, emotesIn, type SimulatedEmote } from '../../stand-ins/chat/emotes.ts'
import { ChatRooms } from '../../stand-ins/chat/chatRoom.ts'
import { deliver } from '../../stand-ins/deliver.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { Database } from '../db/handle.ts'
import {
  addStandIn,
  changeStandIn,
  findStandIn,
  listStandIns,
  removeStandIn,
  trimStandIns,
} from '../db/queries/standIns.ts'
import type { RedeemedView } from '../../contract/simulatedChat.ts'
import type { Reward } from '../../contract/triggers.ts'
import type { PlatformAccess, PlatformFeed, RewardFields } from '../platforms/access.ts'
import { newId } from '../system/ids.ts'

/** A viewer in a simulated chat. */
export interface SimulatedViewer {
  id: string
  name: string
  roles: string[]
}

/** What is kept of something that was redeemed. */
interface SimulatedRedemption extends RedeemedView {
  rewardId: string
  viewerId: string
}

interface SimulatedPlatformsDependencies {
  db: Database
  /** Where deliveries go. */
  origin: () => string
  now: () => number
}

const rewardsMax = 50
const redemptionsKept = 200
/** Where viewers can spend points, and where they chat. */
const withRewards = new Set(['alder'])
const withChat = new Set(['alder', 'birch'])
const withEmotes = new Set(['alder'])

const rewardOf = (id: string, content: Record<string, unknown>): Reward => ({
  ...(content as unknown as RewardFields),
  id,
})

/** The simulated platforms as a program reaches them, and as their viewers do. Everything is delivered signed, over the real route. */
export class SimulatedPlatforms implements PlatformAccess {
  readonly rooms = new ChatRooms()

  constructor(private readonly deps: SimulatedPlatformsDependencies) {}

  hasRewards = (platform: string): boolean => withRewards.has(platform)
  hasChat = (platform: string): boolean => withChat.has(platform)

  emotes = (platform: string): readonly SimulatedEmote[] => (withEmotes.has(platform) ? emotes : [])

  async rewards({ id }: PlatformFeed): Promise<Reward[]> {
    const rows = await listStandIns(this.deps.db, id, 'reward', rewardsMax)
    return rows.map((row) => rewardOf(row.id, row.content))
  }

  async makeReward(feed: PlatformFeed, fields: RewardFields): Promise<Reward> {
    const id = newId('reward')
    await addStandIn(this.deps.db, feed.id, 'reward', id, { ...fields })
    return { ...fields, id }
  }

  async changeReward(feed: PlatformFeed, id: string, fields: Partial<RewardFields>): Promise<Reward | null> {
    const row = await changeStandIn(this.deps.db, feed.id, 'reward', id, { ...fields })
    return row && rewardOf(row.id, row.content)
  }

  removeReward(feed: PlatformFeed, id: string): Promise<boolean> {
    return removeStandIn(this.deps.db, feed.id, 'reward', id)
  }

  async settleRedemption(feed: PlatformFeed, redemptionId: string, as: 'fulfilled' | 'refunded'): Promise<void> {
    const { db } = this.deps
    const found = await findStandIn(db, feed.id, 'redemption', redemptionId)
    if (!found || (found.content as unknown as SimulatedRedemption).state !== 'waiting') return
    const row = await changeStandIn(db, feed.id, 'redemption', redemptionId, { state: as })
    const redeemed = row?.content as unknown as SimulatedRedemption | undefined
    if (as !== 'refunded' || !redeemed) return
    // What was given back is there again.
    const reward = await findStandIn(db, feed.id, 'reward', redeemed.rewardId)
    const { stock } = (reward?.content ?? { stock: null }) as { stock: number | null }
    if (reward && stock !== null) await this.changeReward(feed, reward.id, { stock: stock + 1 })
  }

  async say(feed: PlatformFeed, text: string): Promise<void> {
    this.rooms.say(feed.id, {
      ...{ id: newId('line'), atMs: this.deps.now(), text, emotes: [], isOurs: true },
      by: { id: 'thundercrest', name: 'Thundercrest', roles: ['bot'] },
    })
  }

  present = (feed: Pick<PlatformFeed, 'id'>) => this.rooms.present(feed.id)

  /** A viewer says something. */
  async chat(feed: PlatformFeed, viewer: SimulatedViewer, text: string): Promise<void> {
    const nowMs = this.deps.now()
    const id = newId('line', nowMs)
    const shown = withEmotes.has(feed.platform) ? emotesIn(text) : []
    this.rooms.say(feed.id, { id, atMs: nowMs, by: viewer, text, emotes: shown, isOurs: false })
    const base = { externalId: id, source: 'simulated', occurredAtMs: nowMs }
    const command = /^(\S+)(?:\s+([\s\S]*))?$/u.exec(text)
    const isCommand = feed.platform === 'alder' && /^[^\p{L}\p{N}\s]+[\p{L}\p{N}]/u.test(text)
    const event = (
      isCommand && command
        ? {
            ...base,
            kind: 'chatCommand',
            data: { viewer, command: command[1] ?? '', ...(command[2] ? { arguments: command[2] } : {}) },
          }
        : { ...base, kind: 'chatMessage', data: { viewer, message: { text, emotes: shown } } }
    ) as CanonicalEvent
    await this.send(feed, event, id)
  }

  /** A moderator takes a line of the chat away; the platform says so. @returns false where there is none such */
  async takeAway(feed: PlatformFeed, lineId: string): Promise<boolean> {
    const nowMs = this.deps.now()
    if (!this.rooms.takeAway(feed.id, lineId)) return false
    await this.deliver(feed, platforms[feed.platform]?.takeAway?.(lineId, newId('line', nowMs), nowMs) ?? null)
    return true
  }

  /** The platform says how many watch, where it does so at all. */
  async sayAudience(feed: PlatformFeed, count: number): Promise<void> {
    const nowMs = this.deps.now()
    await this.deliver(feed, platforms[feed.platform]?.audience?.(count, newId('line', nowMs), nowMs) ?? null)
  }

  /** A viewer redeems a reward. @returns why that is not possible; null where it was done */
  async redeem(feed: PlatformFeed, viewer: SimulatedViewer, rewardId: string, input: string): Promise<string | null> {
    const { db, now } = this.deps
    const found = await findStandIn(db, feed.id, 'reward', rewardId)
    if (!found) return 'This reward is not there any more.'
    const reward = rewardOf(found.id, found.content)
    if (reward.isPaused) return 'This reward is paused.'
    if (reward.stock !== null && reward.stock <= 0) return 'There are none of it left.'
    if (reward.asksForInput && input.trim() === '') return 'It asks for something to be typed.'
    const nowMs = now()
    const id = newId('said', nowMs)
    const { title, cost } = reward
    const event: CanonicalEvent = {
      ...{ kind: 'redemption', externalId: id, source: 'simulated', occurredAtMs: nowMs },
      data: {
        viewer,
        reward: { id: rewardId, title, costPoints: cost },
        ...(reward.asksForInput ? { input } : {}),
      },
    }
    // The platform's own id of it is what it goes by from then on.
    const entries = (platforms[feed.platform]?.say(event, id) as { entries?: { id: string }[] } | null)?.entries
    const redemptionId = entries?.[0]?.id ?? id
    if (reward.stock !== null) await this.changeReward(feed, rewardId, { stock: reward.stock - 1 })
    const redeemed: SimulatedRedemption = {
      ...{ id: redemptionId, rewardId, title, cost, input, state: 'waiting' },
      ...{ viewerId: viewer.id, viewerName: viewer.name },
    }
    await addStandIn(db, feed.id, 'redemption', redemptionId, { ...redeemed })
    await trimStandIns(db, feed.id, 'redemption', redemptionsKept)
    await this.send(feed, event, id)
    return null
  }

  async redemptions(feed: Pick<PlatformFeed, 'id'>): Promise<SimulatedRedemption[]> {
    const rows = await listStandIns(this.deps.db, feed.id, 'redemption', redemptionsKept)
    return rows.map(({ content }) => content as unknown as SimulatedRedemption)
  }

  private async send(feed: PlatformFeed, event: CanonicalEvent, id: string): Promise<void> {
    await this.deliver(feed, platforms[feed.platform]?.say(event, id) ?? null)
  }

  private async deliver(feed: PlatformFeed, payload: object | null): Promise<void> {
    if (!payload) return
    const { origin, now } = this.deps
    const url = `${origin()}/api/feeds/${feed.id}/deliveries`
    await deliver({ url, secret: feed.secret }, payload, newId('delivery'), now())
  }
}
