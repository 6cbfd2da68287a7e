import type { Platform } from '../../core/events/platforms.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'

/** One line of a chat by its id, or all that a viewer has said, is not to be seen any more. */
export type Removal = { source: string } & ({ externalId: string } | { viewerId: string })

/** What an adapter made of one raw payload. */
export interface Translation {
  events: Omit<IncomingEvent, 'isTest'>[]
  /** What was taken away from its chat. */
  removals: Removal[]
  /** How many watch, where that was said; the latest of it. */
  watching: number | null
  /** What was in it but could not be understood, in words for whoever inspects it. */
  rejected: string[]
}

/**
 * Turns what one platform sends into canonical events. Pure: no clock, no randomness, no I/O, so that the same payload
 * always gives the same events with the same ids.
 */
export interface FeedAdapter {
  platform: Platform
  /** @param payload parsed JSON of unknown shape. Null when it is no payload of this platform at all. */
  translate(payload: unknown, feedId: string): Translation | null
}
