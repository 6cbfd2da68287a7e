import * as z from 'zod'
import type { Reward } from './triggers.ts'

const viewer = z.object({
  id: z.string().min(1).max(100),
  name: z.string().trim().min(1).max(200),
  roles: z.array(z.enum(['subscriber', 'vip', 'moderator'])).max(3),
})
export const chatSayBody = z.object({ viewer, text: z.string().trim().min(1).max(500) })
export const chatTakeAwayBody = z.object({ viewer, lineId: z.string().min(1).max(80) })
export const chatRedeemBody = z.object({
  viewer,
  rewardId: z.string().min(1).max(80),
  input: z.string().max(500),
})

/** Something that was redeemed on a simulated platform. */
export interface RedeemedView {
  id: string
  title: string
  cost: number
  viewerName: string
  input: string
  state: 'waiting' | 'fulfilled' | 'refunded'
}

/** A simulated chat, as somebody finds it who opens it. */
export interface ChatRoomView {
  platform: string
  name: string
  hasRewards: boolean
  rewards: Reward[]
  redemptions: RedeemedView[]
  /** Who can be played here. */
  guests: { id: string; name: string }[]
  /** Words that are pictures here. */
  emotes: readonly { word: string; url: string }[]
}

export interface ChatLineView {
  id: string
  atMs: number
  by: { id: string; name: string; roles: readonly string[] }
  text: string
  emotes: readonly { from: number; to: number; url: string }[]
  isOurs: boolean
  /** A moderator took it away. */
  isGone?: true
}
