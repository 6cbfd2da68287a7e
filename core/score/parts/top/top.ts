import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveTop, type ResolvedTop } from './resolveTop.ts'
import type { Top } from './schema.ts'

export const topPart: PartDefinition<Top, ResolvedTop> = {
  resolve: resolveTop,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ most }) => `the first ${most}`,
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
