import { livePart, wordless } from '../../../board/livePart.ts'
import { resolveClock, type ResolvedClock } from './resolveClock.ts'
import type { Clock } from './schema.ts'

export const clockPart = livePart<Clock, ResolvedClock>({
  resolve: resolveClock,
  caption: ({ says }) => says.split('\n')[0] ?? '',
  unnoticed: wordless,
})
