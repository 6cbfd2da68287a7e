import { livePart } from '../../../board/livePart.ts'
import { oneFile } from '../partDefinition.ts'
import { resolveBar, type ResolvedBar } from './resolveBar.ts'
import type { Bar } from './schema.ts'

export const barPart = livePart<Bar, ResolvedBar>({
  resolve: resolveBar,
  caption: ({ says }) => says.split('\n')[0] ?? '',
  files: oneFile(),
})
