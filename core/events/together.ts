import type { TemplateValue } from '../text/templateValue.ts'
import type { VariableDeclaration } from './kindDefinition.ts'

/** That an event is shown with others of its kind. */
export interface ShownTogether {
  /** How many there are, itself among them. */
  count: number
  /** What they bring together; null: nothing that adds up. */
  total: TemplateValue | null
}

/** What a case for several at once can say beside what each of them carries. */
export const togetherVariables: readonly VariableDeclaration[] = [
  { name: 'others', means: 'how many others there are', type: 'number' },
  { name: 'count', means: 'how many there are together', type: 'number' },
  { name: 'total', means: 'what they bring together', type: 'number' },
]

/**
 * What those stand for. Whoever is alone has no others. Where a kind counts something itself, that is what is counted: the
 * gifts of several who give, not the givers.
 */
export function togetherValues(
  together: ShownTogether | undefined,
  own: Readonly<Record<string, TemplateValue>>,
): Record<string, TemplateValue> {
  const { count, total } = together ?? { count: 1, total: own.amount ?? own.count ?? own.points ?? own.party ?? null }
  const counted = own.count === undefined ? count : (total ?? own.count)
  return { others: count - 1, count: counted, ...(total === null ? {} : { total }) }
}
