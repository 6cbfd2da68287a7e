import type { BoxDocument } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import { comparisonsOf } from './schema.ts'

/** Kinds of event for which rules of these boxes ask when the viewer was here last. */
export function historyKindsOf(documents: readonly BoxDocument[]): Set<EventKind> {
  return new Set(
    documents.flatMap(({ alerts }) =>
      alerts.flatMap(({ kinds, variations }) => {
        const asks = [...comparisonsOf(variations.map(({ rule }) => rule))].some(
          ({ field }) => field === 'visit' || field === 'since',
        )
        return asks ? kinds : []
      }),
    ),
  )
}
