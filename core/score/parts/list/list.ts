import { kindOf } from '../../../events/kinds.ts'
import { livePart } from '../../../board/livePart.ts'
import { resolveList, type ResolvedList } from './resolveList.ts'
import type { List } from './schema.ts'

export const listPart = livePart<List, ResolvedList>({
  resolve: resolveList,
  caption: ({ kinds }) => kinds.map((kind) => kindOf(kind).name).join(', '),
})
