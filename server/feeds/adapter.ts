import type { Platform } from '../../core/events/platforms.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'

/** What an adapter made of one raw payload. */
export interface Translation {
  events: Omit<IncomingEvent, 'isTest'>[]
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
