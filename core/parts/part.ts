import * as z from 'zod'
import { backdrop } from './backdrop/schema.ts'
import { line } from './line/schema.ts'
import { picture } from './picture/schema.ts'
import { sound } from './sound/schema.ts'

/** Everything that can stand in a score. A closed union: adding a kind makes the compiler name every table that lacks it. */
export const part = z.discriminatedUnion('kind', [picture, line, sound, backdrop])
export type Part = z.infer<typeof part>
export type PartKind = Part['kind']
/** The parts that can be seen. */
export type VisiblePart = Exclude<Part, { kind: 'sound' }>

export function isVisiblePart(candidate: Part): candidate is VisiblePart {
  return candidate.kind !== 'sound'
}
