import type { EventKind } from '../../core/events/kinds.ts'
import type { Database } from '../db/handle.ts'
import { previousTimes, type HistoryQuestion } from '../db/queries/viewerHistory.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'

interface Seen {
  externalId: string
  occurredAtMs: number
}

const viewersKept = 10_000

/**
 * When viewers did something last. The database knows what is durable; what is still on its way there is remembered
 * here, so that of two follows in one breath only one is the first. Nothing is asked where no rule on air wants to
 * know.
 */
export class ViewerHistory {
  /** The newest event of a viewer, the latest to come last. */
  private readonly recent = new Map<string, Seen>()

  constructor(private readonly db: Database) {}

  /** For each event when its viewer did the same last; null: never, or nobody asks. */
  async previousOf(
    channelId: string,
    incoming: readonly IncomingEvent[],
    asked: ReadonlySet<EventKind>,
  ): Promise<(number | null)[]> {
    const times: (number | null)[] = incoming.map(() => null)
    if (asked.size === 0) return times
    const questions: (HistoryQuestion & { index: number })[] = []
    incoming.forEach(({ source, externalId, kind, occurredAtMs, data: { viewer }, isTest }, index) => {
      if (!viewer || isTest || !asked.has(kind)) return
      questions.push({ source, externalId, kind, occurredAtMs, viewerId: viewer.id, index })
    })
    // Remembered before the database is asked: an event that is decided meanwhile knows of these.
    const onTheWay = questions.map((question) => this.remember(channelId, question))
    const durable = await previousTimes(
      this.db,
      channelId,
      questions.map(({ index: _index, ...question }) => question),
    )
    questions.forEach(({ index }, at) => {
      const known = [durable[at], onTheWay[at]].filter((each) => each !== null && each !== undefined)
      times[index] = known.length > 0 ? Math.max(...known) : null
    })
    return times
  }

  /** Remembers an event. @returns when the viewer did the same before that, as far as it is remembered */
  private remember(
    channelId: string,
    { source, kind, viewerId, externalId, occurredAtMs }: HistoryQuestion,
  ): number | null {
    const key = JSON.stringify([channelId, source, kind, viewerId])
    const before = this.recent.get(key)
    this.recent.delete(key)
    this.recent.set(key, before && before.occurredAtMs > occurredAtMs ? before : { externalId, occurredAtMs })
    for (const oldest of this.recent.keys()) {
      if (this.recent.size <= viewersKept) break
      this.recent.delete(oldest)
    }
    return before && before.externalId !== externalId && before.occurredAtMs <= occurredAtMs
      ? before.occurredAtMs
      : null
  }
}
