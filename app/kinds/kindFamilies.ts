import { families, type Family } from '../../core/events/kindDefinition.ts'
import { eventKinds, kindOf, type EventKind } from '../../core/events/kinds.ts'

export type { Family }

/** Things by the family of their kind, in the order of families and, within one, of kinds. */
export function byFamily<Of>(list: readonly Of[], kindOfOne: (of: Of) => EventKind): { family: Family; of: Of[] }[] {
  const order = (of: Of) => eventKinds.indexOf(kindOfOne(of))
  return families.flatMap((family) => {
    const own = list.filter((each) => kindOf(kindOfOne(each)).family === family)
    return own.length > 0 ? [{ family, of: own.sort((a, b) => order(a) - order(b)) }] : []
  })
}
