import { livePart, wordless } from '../../../board/livePart.ts'
import { resolveTally, type ResolvedTally } from './resolveTally.ts'
import type { Tally } from './schema.ts'

export const tallyPart = livePart<Tally, ResolvedTally>({
  resolve: resolveTally,
  caption: ({ says }) => says.split('\n')[0] ?? '',
  unnoticed: wordless,
})
