import { isSame } from '../isSame.ts'
import type { Part } from '../score/parts/part.ts'
import { fieldNames } from './fieldNames.ts'

/** What every part has for itself: nobody expects it to be the same. */
const ownFields: ReadonlySet<string> = new Set([
  'id',
  'kind',
  'name',
  'clip',
  'place',
  'template',
  'groupId',
  'keyframes',
  'hugs',
  'seed',
])

/** In what several parts of one kind differ, in words, each once; empty where they look alike. */
export function mixedFields(parts: readonly Part[]): string[] {
  const [first, ...others] = parts
  if (!first) return []
  const differing = Object.entries(first).filter(
    ([field, value]) =>
      !ownFields.has(field) &&
      others.some((other) => other.kind === first.kind && !isSame(value, new Map(Object.entries(other)).get(field))),
  )
  return [...new Set(differing.map(([field]) => fieldNames[field] ?? field))]
}
