import type { HistoryFilter } from '../../contract/history.ts'
import { searchQuery } from '../../core/history/searchWords.ts'
import { momentAt } from '../../core/time/localMoment.ts'
import type { HistoryWish } from '../db/queries/history.ts'

const dayOf = (date: string) => Math.round(Date.parse(`${date}T00:00:00Z`) / 86_400_000)

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
    fromMs: from === undefined ? undefined : momentAt(dayOf(from), 0, timeZone),
    untilMs: until === undefined ? undefined : momentAt(dayOf(until) + 1, 0, timeZone),
    // Where nothing of it is a word, nothing has it.
    words: words === undefined ? undefined : (searchQuery(words) ?? "''''"),
  }
}
