import { plainValue } from '../text/templateValue.ts'
import type { CanonicalEvent } from './schema.ts'
import { valuesOf, variablesOfKind } from './variables.ts'

/**
 * Everyday words around an event's variables, for logs and lists. `{…}` that the event lacks drop out with their dot.
 */
const detailVariables = [
  'amount',
  'count',
  'tier',
  'months',
  'party',
  'points',
  'level',
  'reward',
  'cost',
  'command',
  'item',
  'recipient',
  'goal',
  'message',
  'input',
] as const
/** Said elsewhere, or too long for a line. */
const leftOut = ['name', 'streak', 'arguments']
const wording: Record<string, (value: string) => string> = {
  tier: (value) => `tier ${value}`,
  months: (value) => `month ${value}`,
  count: (value) => `${value} of them`,
  party: (value) => `${value} came along`,
  points: (value) => `${value} points`,
  cost: (value) => `${value} points`,
  recipient: (value) => `for ${value}`,
  message: (value) => `“${value}”`,
  input: (value) => `“${value}”`,
}

/** Who did it, and one plain line of what it was, e.g. `€25.00 · “o pão…”`. */
export function describeEvent(event: CanonicalEvent, locale: string): { name: string; detail: string } {
  const values = valuesOf(event)
  const others = variablesOfKind(event.kind)
    .map(({ name }) => name)
    .filter((name) => !leftOut.includes(name) && !(detailVariables as readonly string[]).includes(name))
  const words = [...detailVariables, ...others].flatMap((variable) => {
    const value = values[variable] === undefined ? '' : plainValue(values[variable], locale)
    return value ? [wording[variable]?.(value) ?? value] : []
  })
  return { name: plainValue(values.name ?? '', locale), detail: words.join(' · ') }
}
