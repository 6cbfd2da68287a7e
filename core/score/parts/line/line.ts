import { newLineSize } from '../../../text/usualSize.ts'
import { plainText } from '../../../text/textPiece.ts'
import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveLine, type ResolvedLine } from './resolveLine.ts'
import type { Line } from './schema.ts'

export const linePart: PartDefinition<Line, ResolvedLine> = {
  resolve: resolveLine,
  naturalMs: () => null,
  letters: ({ pieces }) => plainText(pieces),
  files: noFiles(),
  caption: ({ template }) => template,
  unnoticed: (part) => unseen(part) ?? (part.template.trim() === '' ? 'without words' : null),
  hasOwnPlace: () => true,
  usualSize: newLineSize,
}
