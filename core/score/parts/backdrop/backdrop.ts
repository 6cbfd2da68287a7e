import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveBackdrop, type ResolvedBackdrop } from './resolveBackdrop.ts'
import type { Backdrop } from './schema.ts'

export const backdropPart: PartDefinition<Backdrop, ResolvedBackdrop> = {
  resolve: resolveBackdrop,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ hugs }) => (hugs.length > 0 ? 'hugs the text' : ''),
  unnoticed: unseen,
  hasOwnPlace: ({ hugs }) => hugs.length === 0,
  usualSize: ({ hugs, widthPx, heightPx }) => (hugs.length > 0 ? null : { widthPx, heightPx }),
}
