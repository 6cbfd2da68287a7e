import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveTally, type ResolvedTally } from './resolveTally.ts'
import type { Tally } from './schema.ts'

export const tallyPart: PartDefinition<Tally, ResolvedTally> = {
  resolve: resolveTally,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ says }) => says.split('\n')[0] ?? '',
  unnoticed: (part) => unseen(part) ?? (part.says.trim() === '' ? 'without words' : null),
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
