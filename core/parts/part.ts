import * as z from 'zod'
import { backdrop } from './backdrop/schema.ts'
import { line } from './line/schema.ts'
import { message } from './message/schema.ts'
import { particles } from './particles/schema.ts'
import { picture } from './picture/schema.ts'
import { shape } from './shape/schema.ts'
import { sound } from './sound/schema.ts'
import { ticker } from './ticker/schema.ts'
import { voice } from './voice/schema.ts'

/**
 * Everything that can stand in a score. A closed union: adding a kind makes the compiler name every table that lacks
 * it.
 */
export const part = z.discriminatedUnion('kind', [
  picture,
  line,
  message,
  sound,
  backdrop,
  particles,
  ticker,
  shape,
  voice,
])
export type Part = z.infer<typeof part>
export type PartKind = Part['kind']
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>
/** The parts that are only heard. */
export type HeardPart = PartOf<'sound' | 'voice'>
/** The parts that can be seen. */
export type VisiblePart = Exclude<Part, HeardPart>
/** The parts that show words in a style. */
export type TextPart = PartOf<'line' | 'message' | 'ticker'>

export function isVisiblePart(candidate: Part): candidate is VisiblePart {
  return candidate.kind !== 'sound' && candidate.kind !== 'voice'
}

/** The parts that fill words of their own from the event. */
export function hasTemplate(candidate: Part): candidate is PartOf<'line' | 'ticker' | 'voice'> {
  return 'template' in candidate
}

export function isTextPart(candidate: Part): candidate is TextPart {
  return candidate.kind === 'line' || candidate.kind === 'message' || candidate.kind === 'ticker'
}
