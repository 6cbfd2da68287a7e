import type { RuleField } from './fields.ts'

/** An event that does not say a field has this value there. */
export const missing = -1

/**
 * One direction of the space that rules divide. Numbers, money and time are themselves. A choice or a text is the place
 * of its value in `values`, and one more place for every other text. What contains a text is a direction of its own, 0
 * or 1; so is each value of a set that rules ask for. What directions have to do with each other is in `ties.ts`.
 */
export interface Dimension {
  id: string
  field: RuleField
  /** Null for what is ordered, and for what is 0 or 1. */
  values: readonly string[] | null
  /** The text that is contained, or the value that is in a set; null where the field itself is meant. */
  contained: string | null
  last: number
}
