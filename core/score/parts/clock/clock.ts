import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveClock, type ResolvedClock } from './resolveClock.ts'
import type { Clock } from './schema.ts'

export const clockPart: PartDefinition<Clock, ResolvedClock> = {
  resolve: resolveClock,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ says }) => says.split('\n')[0] ?? '',
  unnoticed: (part) => unseen(part) ?? (part.says.trim() === '' ? 'without words' : null),
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
