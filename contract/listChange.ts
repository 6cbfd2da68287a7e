import { isSame } from '../core/isSame.ts'

/** How a list becomes another: what is gone, then what comes and where it stands in the end; or all of it anew. */
export type ListChange<T> = { all: T[] } | { gone: string[]; come: { at: number; item: T }[] }

/**
 * How one list becomes another. Linear in both; what stands in both and says the same is not said again.
 * @returns null where nothing differs
 */
export function listChange<T extends { id: string }>(before: readonly T[], after: readonly T[]): ListChange<T> | null {
  if (before === after) return null
  const places = new Map(after.map((item, at) => [item.id, at]))
  const stays = new Set<string>()
  const gone: string[] = []
  let last = -1
  for (const item of before) {
    const at = places.get(item.id)
    if (at === undefined || !isSame(item, after[at])) {
      gone.push(item.id)
      continue
    }
    // In another order: rare, and not worth a language of its own.
    if (at < last) return { all: [...after] }
    last = at
    stays.add(item.id)
  }
  const come = after.flatMap((item, at) => (stays.has(item.id) ? [] : [{ at, item }]))
  if (gone.length === 0 && come.length === 0) return null
  return stays.size === 0 ? { all: [...after] } : { gone, come }
}

/** The list that a change leads to. What stays is the very same object. */
export function changedList<T extends { id: string }>(before: readonly T[], change: ListChange<T>): T[] {
  if ('all' in change) return change.all
  const gone = new Set(change.gone)
  const stays = before.filter(({ id }) => !gone.has(id))
  const after: T[] = []
  let next = 0
  for (const { at, item } of change.come) {
    while (after.length < at && next < stays.length) after.push(stays[next++] as T)
    after.push(item)
  }
  return [...after, ...stays.slice(next)]
}
