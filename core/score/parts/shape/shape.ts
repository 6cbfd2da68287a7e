import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveShape, type ResolvedShape } from './resolveShape.ts'
import type { Shape } from './schema.ts'

export const shapePart: PartDefinition<Shape, ResolvedShape> = {
  resolve: resolveShape,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ form }) => form,
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
