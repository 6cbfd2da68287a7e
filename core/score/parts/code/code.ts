import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { lettersOfCode } from './lettersOfCode.ts'
import { resolveCode, type ResolvedCode } from './resolveCode.ts'
import type { Code } from './schema.ts'

export const codePart: PartDefinition<Code, ResolvedCode> = {
  resolve: resolveCode,
  naturalMs: () => null,
  letters: lettersOfCode,
  files: noFiles(),
  caption: ({ html, css }) => (html.trim() === '' && css.trim() === '' ? 'nothing yet' : 'HTML and CSS'),
  unnoticed: (part) => (part.html.trim() === '' ? 'empty' : unseen(part)),
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
