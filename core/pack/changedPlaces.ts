import { isSame } from '../isSame.ts'

/** Something that one document says otherwise than another, by the names and ids that lead to it. */
export interface ChangedPlace {
  /** As `placesOf` reads it. */
  path: string
  before: unknown
  after: unknown
}

type Fields = Record<string, unknown>
type Member = Fields & { id: string }
const isRecord = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isListOfMembers = (value: unknown): value is Member[] =>
  Array.isArray(value) && value.length > 0 && value.every((each) => isRecord(each) && typeof each.id === 'string')

/**
 * What differs between two documents of the same form. Lists whose members have ids are compared member by member, and
 * only where both have one; other lists, and records with other fields, are single values. What is the very same object
 * is not walked through.
 */
export function changedPlaces(before: unknown, after: unknown, path = ''): ChangedPlace[] {
  if (before === after) return []
  const inside = (key: string, one: unknown, other: unknown) =>
    changedPlaces(one, other, path === '' ? key : `${path}.${key}`)
  if (isListOfMembers(before) && isListOfMembers(after)) {
    const later = new Map(after.map((each) => [each.id, each]))
    return before.flatMap((each) => (later.has(each.id) ? inside(each.id, each, later.get(each.id)) : []))
  }
  if (isRecord(before) && isRecord(after) && isSame(Object.keys(before).sort(), Object.keys(after).sort())) {
    return Object.keys(before).flatMap((key) => inside(key, before[key], after[key]))
  }
  return isSame(before, after) ? [] : [{ path, before, after }]
}
