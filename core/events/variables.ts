import type { TemplateValue } from '../text/templateValue.ts'
import type { VariableDeclaration } from './kindDefinition.ts'
import { kindOf, type EventKind } from './kinds.ts'
import type { CanonicalEvent } from './schema.ts'

export type { VariableDeclaration }

/** Which variables a kind carries. Editors complete from this and sample events fill it. */
export const variablesOfKind = (kind: EventKind): readonly VariableDeclaration[] => kindOf(kind).variables

/** Which variables events of some kinds carry: each of them once. */
export function variablesOf(kinds: readonly EventKind[]): VariableDeclaration[] {
  return [
    ...new Map(
      kinds.flatMap((kind) => variablesOfKind(kind).map((variable) => [variable.name, variable] as const)),
    ).values(),
  ]
}

/** What the values of an event are called when nobody is named. */
const anonymousName = 'Somebody'

/** What each variable stands for. One that this event does not carry is absent. */
export function valuesOf({ kind, data }: CanonicalEvent): Record<string, TemplateValue> {
  const values: Record<string, TemplateValue> = { name: data.viewer?.name || anonymousName }
  if (data.message) values.message = data.message.text
  for (const [name, value] of Object.entries(kindOf(kind).values(data))) if (value !== undefined) values[name] = value
  return values
}
