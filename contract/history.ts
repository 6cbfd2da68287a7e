import * as z from 'zod'
import { eventKind, type EventKind } from '../core/events/kinds.ts'
import { outcomes, type Outcome } from '../core/response/outcome.ts'

const calendarDay = z.iso.date('a day such as 2026-11-24')
const words = (most: number) => z.string().trim().min(1).max(most)

/** What of everything that ever happened is wanted. What is absent is not asked for; tests only where that is said. */
export const historyFilter = z.object({
  kind: eventKind.optional(),
  /** Where it comes from, as its event says: `feed:<id>` for a feed. */
  source: words(420).optional(),
  /** Whose it is, as the feed names the viewer. */
  viewer: words(200).optional(),
  /** At least so much, in minor units of the channel's currency; of money alone. */
  atLeast: z.coerce.number().int().min(1).max(1e12).optional(),
  /** What became of it in one box at least. */
  outcome: z.enum(outcomes).optional(),
  /** Days of the channel's calendar, both included. */
  from: calendarDay.optional(),
  until: calendarDay.optional(),
  /** All of them are in it, each from its beginning. */
  words: words(200).optional(),
  tests: z.literal('too').optional(),
})
export type HistoryFilter = z.infer<typeof historyFilter>

export const historyPageMost = 500
export const historyQuery = historyFilter.extend({
  /** The `seq` of the oldest that is known. */
  before: z.coerce.number().int().min(1).optional(),
  limit: z.coerce.number().int().min(1).max(historyPageMost).default(100),
  as: z.enum(['json', 'csv', 'ndjson']).default('json'),
})

/** What became of something in one box. */
export interface HistoryEndView {
  boxId: string
  boxName: string
  /** Null while it waits or plays. */
  outcome: Outcome | null
  reason: string
  /** Null where nothing plays. */
  variationName: string | null
}

export interface HistoryEntryView {
  seq: number
  eventId: string
  kind: EventKind
  name: string
  detail: string
  /** As the feed names the viewer; null: nobody, or anonymous. */
  viewerId: string | null
  source: string
  from: string
  occurredAtMs: number
  receivedAtMs: number
  isTest: boolean
  ends: HistoryEndView[]
}

/** Newest first. */
export interface HistoryView {
  entries: HistoryEntryView[]
  /** Where to go on; null: that was all. A page may be short, or empty, and there is more. */
  nextBefore: number | null
}

/** Where things come from. */
export interface HistorySourceView {
  source: string
  name: string
}

/** What a person did here so far, tests left out. */
export interface ViewerView {
  name: string
  from: string
  firstAtMs: number
  lastAtMs: number
  kinds: { kind: EventKind; count: number }[]
  /** What they gave, by currency, in minor units. */
  given: { currency: string; amountMinor: number }[]
  /** In the channel's currency, as far as rates are known. */
  givenMinor: number
  points: number | null
}

export interface BroughtBackView {
  events: number
  repeated: number
}
