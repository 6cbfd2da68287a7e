import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'

/** A simulated platform: it says in its own shape what a real one would. */
export interface SimulatedPlatform {
  /** What happens there. */
  kinds: readonly EventKind[]
  /**
   * @param id the platform's own id of this happening.
   * @returns a payload as it would be delivered; null for what never happens there
   */
  say(event: CanonicalEvent, id: string): object | null
  /** A line of its chat is taken away. @param id what the line was said under; null where nobody chats */
  takeAway?(id: string, noticeId: string, atMs: number): object
  /** How many watch; absent where the platform does not say. */
  audience?(count: number, noticeId: string, atMs: number): object
}

export const momentOf = ({ occurredAtMs }: CanonicalEvent) => new Date(occurredAtMs).toISOString()
export const wordsOf = (event: CanonicalEvent) => event.data.message?.text
