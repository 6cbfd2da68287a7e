import { create } from 'mutative'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { isSame } from '../isSame.ts'
import { err, ok, type Result } from '../result.ts'
import { faultOfValue, type Dial, type DialValue, type Transform } from './dial.ts'
import { placesOf, readAt, writeAt } from './places.ts'

export type DialValues = Readonly<Record<string, DialValue>>

/** What is wrong with a dial of a pack, in words for its designer. */
export interface DialProblem {
  dialId: string
  words: string
}

/** A value as it is written at a place; undefined where the transform has nothing for it. */
function transformed(how: Transform, value: DialValue, before: unknown): unknown {
  switch (how.as) {
    case 'same':
      return value
    case 'range': {
      if (typeof value !== 'number') return undefined
      const [first, last] = how.from
      const ratio = (Math.min(last, Math.max(first, value)) - first) / (last - first)
      // Millionths are enough; what is left of halves and thirds would look like a change.
      return Math.round((how.to[0] + ratio * (how.to[1] - how.to[0])) * 1e6) / 1e6
    }
    case 'step':
      return typeof value === 'number' ? Math.round(value / how.size) * how.size : undefined
    case 'turned':
      return typeof value === 'boolean' ? !value : undefined
    case 'choose':
      return typeof value === 'string' ? how.of[value] : undefined
    case 'own':
      return typeof value === 'string'
        ? { own: value.startsWith('#') ? value : { family: value, weight: weightAt(before) } }
        : undefined
    case 'recolour': {
      // The engine's own recolouring: from the colour that the picture has, measured when the designer bound it.
      const from = typeof before === 'object' && before !== null && 'from' in before ? before.from : undefined
      return typeof value === 'string' && typeof from === 'string'
        ? { mode: 'recolour', from, to: { own: value } }
        : undefined
    }
  }
}

/** The weight that a typeface of a part's own has; where it followed a role, that of words which are read. */
function weightAt(before: unknown): number {
  const own = typeof before === 'object' && before !== null && 'own' in before ? before.own : undefined
  return typeof own === 'object' && own !== null && 'weight' in own && typeof own.weight === 'number' ? own.weight : 600
}

/** What dials turn, and what they are. */
export interface Turnable {
  box: BoxDocument
  dials: readonly Dial[]
}

/** The value that a dial has. */
export const valueOf = (dial: Dial, values: DialValues): DialValue => values[dial.id] ?? dial.initial

/**
 * A box as its dials make it, not checked: values that fit their dials are expected. What no dial turns is the
 * designer's own, not a copy. Dials that are not named have their first value; later ones win where two turn the same
 * place.
 */
export function turned({ box, dials }: Turnable, values: DialValues): BoxDocument {
  return create(box, (draft) => {
    for (const dial of dials) {
      const value = valueOf(dial, values)
      for (const { path, transform } of dial.bindings) {
        for (const place of placesOf(box, path)) {
          const before = readAt(draft, place)
          const written = transformed(transform, value, before)
          if (written !== undefined && !isSame(written, before)) writeAt(draft, place, written)
        }
      }
    }
  })
}

/**
 * The same, checked.
 * @returns an error in words where a value does not fit its dial, or what comes out would be no valid box
 */
export function turnDials(
  designed: BoxDocument,
  dials: readonly Dial[],
  values: DialValues,
): Result<BoxDocument, string> {
  for (const dial of dials) {
    const fault = faultOfValue(dial, valueOf(dial, values))
    if (fault) return err(`${dial.label}: ${fault}`)
  }
  const box = turned({ box: designed, dials }, values)
  const checked = boxDocument.safeParse(box)
  const issue = checked.error?.issues[0]
  return issue ? err(`${issue.path.map(String).join(' › ')}: ${issue.message}`) : ok(box)
}

/**
 * What of some dials a designer has to mend before others can turn them: ids that are there twice, places that are not,
 * ends that break the box.
 */
export function dialProblems(designed: BoxDocument, dials: readonly Dial[]): DialProblem[] {
  const problems: DialProblem[] = []
  const seen = new Set<string>()
  for (const dial of dials) {
    const say = (words: string) => problems.push({ dialId: dial.id, words })
    if (seen.has(dial.id)) say(`two dials are called “${dial.id}”`)
    seen.add(dial.id)
    for (const { path } of dial.bindings) if (placesOf(designed, path).length === 0) say(`nothing stands at ${path}`)
    if (drifted(designed, dial)) say('what it turns stands otherwise than it says: turn it once')
    for (const value of endsOf(dial)) {
      const result = turnDials(designed, [dial], { [dial.id]: value })
      if (!result.ok) say(`turned to ${String(value)}: ${result.error}`)
    }
  }
  return problems
}

/** Whether something that a dial turns was changed past it. */
function drifted(designed: BoxDocument, dial: Dial): boolean {
  return turned({ box: designed, dials: [dial] }, {}) !== designed
}

/** The values at which a dial is tried: its first one, and wherever it can be turned at most. */
function endsOf(dial: Dial): DialValue[] {
  if (dial.kind === 'number') return [dial.initial, dial.least, dial.most]
  if (dial.kind === 'switch') return [true, false]
  if (dial.kind === 'choice') return dial.choices.map(({ id }) => id)
  return [dial.initial]
}
