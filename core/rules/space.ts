import type { EventKind } from '../events/kinds.ts'
import { fieldsOfKind, largestNumber, type RuleField } from './fields.ts'
import { intersect, subtract, tidy, unite, type Box, type Region } from './region.ts'
import { isComparison, type Comparison, type Rule, type RuleTerm } from './schema.ts'
import type { RuleValues } from './values.ts'

/** An event that does not say a field has this value there. */
export const missing = -1

/**
 * One direction of the space that rules divide. Numbers and money are themselves. A choice or a text is the place of its value
 * in `values`, and one more place for every other text. What contains a text is a direction of its own, 0 or 1: it is treated
 * as if it had nothing to do with the text itself.
 */
export interface Dimension {
  id: string
  field: RuleField
  /** Null for numbers. */
  values: readonly string[] | null
  /** Null where the text itself is meant. */
  contained: string | null
  last: number
}

export interface Space {
  kind: EventKind
  dimensions: readonly Dimension[]
}

function* comparisonsOf(rules: readonly (Rule | null)[]): Generator<Comparison> {
  for (const rule of rules) {
    for (const term of rule?.of ?? []) {
      if (isComparison(term)) yield term
      else yield* term.of
    }
  }
}

/** The directions in which the rules of an alert can differ at all: those fields that they ask for. */
export function spaceOf(kind: EventKind, rules: readonly (Rule | null)[]): Space {
  const asked = [...comparisonsOf(rules)]
  const dimensions: Dimension[] = []
  for (const field of fieldsOfKind[kind]) {
    const ofField = asked.filter((comparison) => comparison.field === field.id)
    if (ofField.length === 0) continue
    if (field.type === 'number' || field.type === 'money') {
      dimensions.push({ id: field.id, field, values: null, contained: null, last: largestNumber })
      continue
    }
    const listed = ofField.flatMap((comparison) => ('values' in comparison ? comparison.values : []))
    const values = field.type === 'choice' ? field.options.map(({ value }) => value) : [...new Set(listed)]
    if (field.type === 'choice' || listed.length > 0) dimensions.push({ id: field.id, field, values, contained: null, last: field.type === 'choice' ? values.length - 1 : values.length })
    const texts = new Set(ofField.flatMap((comparison) => (comparison.is === 'contains' ? [comparison.text.toLowerCase()] : [])))
    for (const contained of texts) dimensions.push({ id: `${field.id} contains ${contained}`, field, values: null, contained, last: 1 })
  }
  return { kind, dimensions }
}

/** Everything that can come. */
export function wholeOf({ dimensions }: Space): Region {
  return [dimensions.flatMap(({ last }) => [missing, last])]
}

/** Where an event lies. */
export function pointOf({ dimensions }: Space, values: RuleValues): number[] {
  return dimensions.map(({ field, values: listed, contained, last }) => {
    const value = values[field.id]
    if (value === undefined) return missing
    if (contained !== null) return String(value).toLowerCase().includes(contained) ? 1 : 0
    if (listed === null) return typeof value === 'number' ? Math.min(last, Math.max(0, value)) : missing
    const place = listed.indexOf(String(value))
    return place >= 0 ? place : field.type === 'choice' ? missing : listed.length
  })
}

/** The points for which a rule holds, as boxes that do not overlap. */
export function regionOf(space: Space, rule: Rule | null): Region {
  const whole = wholeOf(space)
  if (rule === null) return whole
  const regions = rule.of.map((term) => regionOfTerm(space, term))
  if (rule.match === 'all') return tidy(regions.reduce((both, region) => intersect(both, region), whole))
  const any = regions.reduce<Region>((all, region) => unite(all, region), [])
  return tidy(rule.match === 'any' ? any : subtract(whole, any))
}

function regionOfTerm(space: Space, term: RuleTerm): Region {
  if (!isComparison(term)) return regionOf(space, term)
  const at = space.dimensions.findIndex(({ field, contained }) => field.id === term.field && contained === (term.is === 'contains' ? term.text.toLowerCase() : null))
  const dimension = space.dimensions[at]
  const [whole] = wholeOf(space)
  if (!dimension || !whole) return []
  return spansOf(term, dimension).filter(([first, last]) => first <= last).map(([first, last]) => [...whole.slice(0, at * 2), first, last, ...whole.slice(at * 2 + 2)] as Box)
}

/** The values of its field for which a comparison holds. */
function spansOf(comparison: Comparison, { values, last }: Dimension): [first: number, last: number][] {
  switch (comparison.is) {
    case 'exactly':
      return [[comparison.value, Math.min(comparison.value, last)]]
    case 'not':
      return [[0, comparison.value - 1], [comparison.value + 1, last]]
    case 'atLeast':
      return [[comparison.value, last]]
    case 'atMost':
      return [[0, Math.min(comparison.value, last)]]
    case 'between':
      return [[comparison.from, Math.min(comparison.to, last)]]
    case 'contains':
      return [[1, 1]]
    case 'oneOf':
    case 'noneOf': {
      const isWanted = (place: number) => comparison.values.includes(values?.[place] ?? '') === (comparison.is === 'oneOf')
      return Array.from({ length: last + 1 }, (_, place) => place).filter(isWanted).map((place) => [place, place])
    }
  }
}
