import type { Row, RowsSlice } from './slice.ts'

/**
 * Rows after a change: what was added stands first, what was taken away is gone, and no more than the part shows are kept.
 * Adding a row that is there replaces it.
 */
export function applyRows(
  before: RowsSlice,
  { added, removed, most }: { added: readonly Row[]; removed: readonly string[]; most: number },
): RowsSlice {
  const gone = new Set([...removed, ...added.map(({ id }) => id)])
  const taken = new Set(removed)
  return {
    of: 'rows',
    rows: [...added.filter(({ id }) => !taken.has(id)), ...before.rows.filter(({ id }) => !gone.has(id))].slice(
      0,
      most,
    ),
    removed: [...removed],
  }
}
