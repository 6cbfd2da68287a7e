import * as z from 'zod'
import { platformIds } from '../core/events/platforms.ts'

/**
 * How an account is linked: by consenting on the platform's own page, or by a code that its owner posts in the chat.
 */
export const linkBody = z.object({ platform: z.enum(platformIds), way: z.enum(['consent', 'code']) })

/** A linking that was begun. */
export type LinkingBegun =
  { way: 'consent'; url: string } | { way: 'code'; id: string; code: string; expiresAtMs: number; chatUrl: string }

/** What became of a code. */
export interface LinkingView {
  state: 'waiting' | 'linked' | 'expired'
  feedId: string | null
}

/** What a platform's chat says to a program that listens to it. */
export const heardBody = z.object({
  platform: z.enum(platformIds),
  account: z.string().min(1).max(100),
  text: z.string().max(500),
})
