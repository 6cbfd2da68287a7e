import { plainText } from '../../../text/textPiece.ts'
import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveTicker, type ResolvedTicker } from './resolveTicker.ts'
import type { Ticker } from './schema.ts'

export const tickerPart: PartDefinition<Ticker, ResolvedTicker> = {
  resolve: resolveTicker,
  naturalMs: () => null,
  letters: ({ pieces }) => plainText(pieces),
  files: noFiles(),
  caption: ({ template }) => template,
  unnoticed: (part) => unseen(part) ?? (part.template.trim() === '' ? 'without words' : null),
  hasOwnPlace: () => true,
  // It runs along the foot of the canvas until somebody moves it.
  usualSize: () => null,
}
