import type { HistoryFilter } from '../../contract/history.ts'
import { searchQuery } from '../../core/history/searchWords.ts'
import { daysOf } from '../../core/time/localMoment.ts'
import type { HistoryWish } from '../db/queries/history.ts'

/** What is asked of the database for what somebody wants to see: days by the channel's calendar, amounts by its rates. */
export function historyWish(
  filter: HistoryFilter,
  { timeZone, currency, rates }: { timeZone: string; currency: string; rates: Readonly<Record<string, number>> },
): HistoryWish {
  const { kind, source, viewer, atLeast, outcome, from, until, words, tests } = filter
  const worth = atLeast === undefined ? undefined : [{ currency, atLeastMinor: atLeast }]
  if (worth && atLeast !== undefined)
    for (const [other, rate] of Object.entries(rates))
      if (other !== currency && rate > 0) worth.push({ currency: other, atLeastMinor: Math.ceil(atLeast / rate) })
  return {
    ...{ kind, source, outcome, worth, viewerId: viewer, hasTests: tests === 'too' },
    ...daysOf({ from, until }, timeZone),
    // Where nothing of it is a word, nothing has it.
    words: words === undefined ? undefined : (searchQuery(words) ?? "''''"),
  }
}
