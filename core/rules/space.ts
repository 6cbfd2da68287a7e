import { foldCase } from '../text/foldCase.ts'
import { calendarSpans, lastOnScale } from './calendar.ts'
import { fieldOf, fieldsOf, largestNumber, saysField, type Listener, type RuleField } from './fields.ts'
import { missing, type Dimension } from './dimension.ts'
import { intersect, subtract, tidy, unite, type Box, type BoxBudget, type Region } from './region.ts'
import { comparisonsOf, isComparison, type Comparison, type Rule, type RuleTerm } from './schema.ts'
import { tiesOf, type Tie } from './ties.ts'
import type { RuleValues } from './values.ts'

export interface Space {
  kinds: Listener['kinds']
  dimensions: readonly Dimension[]
  /** Everything that can come: a box for each kind. What a kind never says is missing there. */
  whole: Region
}

/** Beside the spaces: these are plain data, which go from workers to pages. */
const knownTies = new WeakMap<Space['dimensions'], readonly Tie[]>()

/** What holds between the directions of a space: points that break a tie never come. */
export function tiesIn({ dimensions }: Space): readonly Tie[] {
  const ties = knownTies.get(dimensions) ?? tiesOf(dimensions)
  knownTies.set(dimensions, ties)
  return ties
}

/** Whether anything in a box can come. */
export const isPossible = (space: Space, box: Box): boolean =>
  tiesIn(space).every((tie) => tie((at) => [box[at * 2] as number, box[at * 2 + 1] as number]))

const lastOf = (field: RuleField) =>
  field.type === 'clock' || field.type === 'season' || field.type === 'date' ? lastOnScale[field.type] : largestNumber

/**
 * The directions in which the rules of an alert can differ at all: those fields that they ask for, and its kinds where
 * there are several.
 */
export function spaceOf(listener: Listener, rules: readonly (Rule | null)[]): Space {
  const asked = [...comparisonsOf(rules)]
  const dimensions = fieldsOf(listener).flatMap((field) => {
    const ofField = asked.filter((comparison) => comparison.field === field.id)
    return ofField.length > 0 || field.id === 'kind' ? dimensionsOf(field, ofField) : []
  })
  const { kinds, offer } = listener
  const whole = kinds.map((kind, place) =>
    dimensions.flatMap(({ field, last }) => {
      if (field.id === 'kind') return [place, place]
      if (!saysField(kind, field.id)) return [missing, missing]
      return [fieldOf({ kinds: [kind], offer }, field.id)?.mayBeMissing ? missing : 0, last]
    }),
  )
  return { kinds, dimensions, whole }
}

function dimensionsOf(field: RuleField, asked: readonly Comparison[]): Dimension[] {
  const listed = [...new Set(asked.flatMap((comparison) => ('values' in comparison ? comparison.values : [])))]
  const isIn = (contained: string): Dimension => ({
    id: `${field.id} contains ${contained}`,
    field,
    values: null,
    contained,
    last: 1,
  })
  if (field.type === 'set') return listed.map(isIn)
  if (field.type === 'choice')
    return [
      {
        id: field.id,
        field,
        values: field.options.map(({ value }) => value),
        contained: null,
        last: field.options.length - 1,
      },
    ]
  if (field.type !== 'text') return [{ id: field.id, field, values: null, contained: null, last: lastOf(field) }]
  const texts = new Set(
    asked.flatMap((comparison) => (comparison.is === 'contains' ? [foldCase(comparison.text)] : [])),
  )
  // Spelled in several ways it is one text: the first stands for all.
  const told = [...new Map(listed.toReversed().map((value) => [foldCase(value), value])).values()].toReversed()
  return [
    ...(told.length > 0 ? [{ id: field.id, field, values: told, contained: null, last: told.length }] : []),
    ...[...texts].map(isIn),
  ]
}

/** Where an event lies. */
export function pointOf({ dimensions }: Space, values: RuleValues): number[] {
  return dimensions.map(({ field, values: listed, contained, last }) => {
    const value = values[field.id]
    if (value === undefined) return missing
    if (typeof value === 'object') return value.includes(contained ?? '') ? 1 : 0
    if (contained !== null) return foldCase(String(value)).includes(contained) ? 1 : 0
    if (listed === null) return typeof value === 'number' ? Math.min(last, Math.max(0, value)) : missing
    const place = listed.findIndex((each) => foldCase(each) === foldCase(String(value)))
    if (place >= 0) return place
    return field.type === 'choice' ? missing : listed.length
  })
}

/** The points for which a rule holds, as boxes that do not overlap. @throws OutOfBoxes beyond the budget */
export function regionOf(space: Space, rule: Rule | null, budget?: BoxBudget): Region {
  return rule === null ? space.whole : tidy(intersect(regionOfRule(space, rule, budget), space.whole, budget), budget)
}

function regionOfRule(space: Space, rule: Rule, budget?: BoxBudget): Region {
  const regions = rule.of.map((term) => regionOfTerm(space, term, budget))
  if (rule.match === 'all')
    return regions.reduce((both, region) => tidy(intersect(both, region, budget), budget), space.whole)
  const any = tidy(
    regions.reduce<Region>((all, region) => unite(all, region, budget), []),
    budget,
  )
  return rule.match === 'any' ? any : subtract(space.whole, any, budget)
}

function regionOfTerm(space: Space, term: RuleTerm, budget?: BoxBudget): Region {
  if (!isComparison(term)) return regionOfRule(space, term, budget)
  const everywhere = space.dimensions.flatMap(({ last }) => [missing, last])
  const along = ({ at, spans }: Asked) =>
    spans.map(([first, last]): Box => [...everywhere.slice(0, at * 2), first, last, ...everywhere.slice(at * 2 + 2)])
  const { isAny, asked } = askedBy(space, term)
  if (isAny) return asked.reduce<Region>((all, each) => unite(all, along(each), budget), [])
  return asked.reduce<Region>((both, each) => intersect(both, along(each), budget), [everywhere])
}

/** What a comparison asks of one direction: that it lies in one of these spans. */
export interface Asked {
  at: number
  spans: readonly (readonly [first: number, last: number])[]
}

/** What a comparison asks of the directions of a space: of all of these or of any. Of none: it never holds. */
export function askedBy(space: Space, comparison: Comparison): { isAny: boolean; asked: Asked[] } {
  const places = space.dimensions.flatMap((dimension, at) =>
    dimension.field.id === comparison.field && isMeant(comparison, dimension.field, dimension.contained)
      ? [{ at, dimension }]
      : [],
  )
  const [first] = places
  if (!first) return { isAny: true, asked: [] }
  if (first.dimension.field.type !== 'set')
    return { isAny: true, asked: [{ at: first.at, spans: spansOf(comparison, first.dimension) }] }
  // Of a set: any of the listed ones is there, or none of them.
  const isAny = comparison.is === 'oneOf'
  return { isAny, asked: places.map(({ at }) => ({ at, spans: [isAny ? [1, 1] : [0, 0]] })) }
}

function isMeant(term: Comparison, field: RuleField, contained: string | null): boolean {
  if (field.type === 'set') return 'values' in term && term.values.includes(contained ?? '')
  return contained === (term.is === 'contains' ? foldCase(term.text) : null)
}

/** The values of its field for which a comparison holds. */
function spansOf(comparison: Comparison, { values, last }: Dimension): [first: number, last: number][] {
  switch (comparison.is) {
    case 'exactly':
      return [[comparison.value, comparison.value]]
    case 'not':
      return (
        [
          [0, comparison.value - 1],
          [comparison.value + 1, last],
        ] as [number, number][]
      ).filter(([from, to]) => from <= to)
    case 'atLeast':
      return [[comparison.value, last]]
    case 'atMost':
      return [[0, comparison.value]]
    case 'between':
      return [[comparison.from, comparison.to]]
    case 'within':
      return calendarSpans(comparison.from, comparison.to)?.spans ?? []
    case 'contains':
      return [[1, 1]]
    case 'oneOf':
    case 'noneOf': {
      const wanted = new Set(comparison.values.map(foldCase))
      const isWanted = (place: number) => wanted.has(foldCase(values?.[place] ?? '')) === (comparison.is === 'oneOf')
      return Array.from({ length: last + 1 }, (_, place) => place)
        .filter(isWanted)
        .map((place) => [place, place])
    }
  }
}
