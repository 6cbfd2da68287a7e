import { isSame } from '../isSame.ts'

/** Plain JSON. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json }

/** Something that both changed differently. */
export interface MergeConflict {
  /** The fields and ids that lead to it. */
  path: string[]
  theirs: Json | undefined
  mine: Json | undefined
}

/** Whose stands where both changed the same thing; null: mine, and what only one still has. */
export type ChooseSide = (conflict: MergeConflict) => 'mine' | 'theirs' | null

export interface Merged {
  value: Json
  /** Where both changed the same thing differently, as readable paths; there *mine* was kept. */
  conflicts: string[]
}

/**
 * Merges two versions of a document that began as the same: what only one of them changed is taken from it, and where
 * both changed the same value differently, *mine* stands and the path is reported. Lists whose members have an `id` are
 * merged member by member and follow the order of whoever reordered them; a member that one removed and the other
 * changed is kept. Other lists are single values; `choose` may say whose stands. Quadratic in the length of the longest
 * list.
 */
export function mergeJson(
  base: Json | undefined,
  theirs: Json | undefined,
  mine: Json | undefined,
  choose: ChooseSide = () => null,
): Merged {
  const conflicts: string[] = []
  const settle = (conflict: MergeConflict): Maybe => {
    conflicts.push(conflict.path.join(' › '))
    const side = choose(conflict)
    if (side !== null) return side === 'mine' ? conflict.mine : conflict.theirs
    // Kept rather than lost: what one changed survives that the other took it away.
    return conflict.mine ?? conflict.theirs
  }
  const value = merge(base, theirs, mine, [], settle)
  return { value: value ?? null, conflicts }
}

type Maybe = Json | undefined

function merge(
  base: Maybe,
  theirs: Maybe,
  mine: Maybe,
  path: string[],
  settle: (conflict: MergeConflict) => Maybe,
): Maybe {
  if (isSame(theirs, mine) || isSame(base, theirs)) return mine
  if (isSame(base, mine)) return theirs
  if (isList(theirs) && isList(mine) && hasIds(theirs) && hasIds(mine))
    return mergeMembers(isList(base) && hasIds(base) ? base : [], theirs, mine, path, settle)
  if (isRecord(theirs) && isRecord(mine)) {
    const from = isRecord(base) ? base : {}
    const merged: { [key: string]: Json } = {}
    for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
      const value = merge(own(from, key), own(theirs, key), own(mine, key), [...path, key], settle)
      if (value !== undefined) merged[key] = value
    }
    return merged
  }
  return settle({ path, theirs, mine })
}

type Member = { id: string; [key: string]: Json }

function mergeMembers(
  base: Member[],
  theirs: Member[],
  mine: Member[],
  path: string[],
  settle: (conflict: MergeConflict) => Maybe,
): Json[] {
  const find = (list: Member[], id: string) => list.find((each) => each.id === id)
  const ids = (list: Member[]) => list.map((each) => each.id)
  const baseIds = ids(base)
  const common = (list: Member[]) => ids(list).filter((id) => baseIds.includes(id))
  const mineKeepsOrder = isSame(
    common(mine),
    baseIds.filter((id) => ids(mine).includes(id)),
  )
  const [lead, follow] = mineKeepsOrder ? [theirs, mine] : [mine, theirs]
  const order = [...ids(lead), ...ids(follow).filter((id) => !ids(lead).includes(id))]
  return order.flatMap((id) => {
    const value = merge(find(base, id), find(theirs, id), find(mine, id), [...path, id], settle)
    return value === undefined ? [] : [value]
  })
}

function own(record: { [key: string]: Json }, key: string): Maybe {
  return Object.hasOwn(record, key) ? record[key] : undefined
}

function isList(value: Maybe): value is Json[] {
  return Array.isArray(value)
}

function isRecord(value: Maybe): value is { [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function hasIds(list: Json[]): list is Member[] {
  return list.every((each) => isRecord(each) && typeof each.id === 'string')
}
