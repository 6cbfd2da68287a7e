import type { Patches } from 'mutative'
import { isSame } from '../isSame.ts'

type Path = (string | number)[]

/**
 * What turns one piece of plain JSON into another: each place that differs set once, lists of another length set whole.
 * Applied to `from` it gives `to` (a property test). Linear in both.
 */
export function diffPatches(from: unknown, to: unknown, path: Path = []): Patches {
  if (isSame(from, to)) return []
  if (Array.isArray(from) && Array.isArray(to) && from.length === to.length)
    return to.flatMap((value, index) => diffPatches(from[index], value, [...path, index]))
  if (isRecord(from) && isRecord(to)) {
    return [...new Set([...Object.keys(from), ...Object.keys(to)])].flatMap((field): Patches => {
      const at = [...path, field]
      if (to[field] === undefined) return from[field] === undefined ? [] : [{ op: 'remove', path: at }]
      if (from[field] === undefined) return [{ op: 'add', path: at, value: to[field] }]
      return diffPatches(from[field], to[field], at)
    })
  }
  return [{ op: 'replace', path, value: to }]
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
