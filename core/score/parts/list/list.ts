import { kindOf } from '../../../events/kinds.ts'
import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveList, type ResolvedList } from './resolveList.ts'
import type { List } from './schema.ts'

export const listPart: PartDefinition<List, ResolvedList> = {
  resolve: resolveList,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ kinds }) => kinds.map((kind) => kindOf(kind).name).join(', '),
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
