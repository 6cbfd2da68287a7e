import { oneFile, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveBar, type ResolvedBar } from './resolveBar.ts'
import type { Bar } from './schema.ts'

export const barPart: PartDefinition<Bar, ResolvedBar> = {
  resolve: resolveBar,
  naturalMs: () => null,
  letters: () => '',
  files: oneFile(),
  caption: ({ says }) => says.split('\n')[0] ?? '',
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
