import { applyRows } from '../../core/board/applyRows.ts'
import { pruned } from '../../core/board/rowsAt.ts'
import type { Slice, Told } from '../../core/board/slice.ts'
import type { NumberedSlice, ToBoard } from '../../contract/boardMessages.ts'

/** No change takes longer: the slowest bar counts for ten seconds and then glows. */
export const settleMs = 14_000

/** All that a page was told, by name: enough of it to draw what is still on its way, and no more. */
export class Telling {
  readonly told = new Map<string, readonly Told[]>()
  private readonly seqs = new Map<string, number>()

  /** Everything anew. What was told before under the same name goes on from where it is. */
  take(slices: readonly NumberedSlice[], atMs: number): void {
    const keys = new Set(slices.map(({ key }) => key))
    for (const key of [...this.told.keys()]) if (!keys.has(key)) this.forget(key)
    for (const each of slices) this.set(each, atMs)
  }

  set({ key, seq, slice }: NumberedSlice, atMs: number): void {
    // A server that was started again counts from the beginning.
    this.seqs.set(key, seq)
    const last = this.told.get(key)?.at(-1)
    // Told again, as after a short break of the connection, it is no change.
    if (JSON.stringify(last?.slice) !== JSON.stringify(slice)) this.push(key, slice, atMs)
  }

  /** A change of rows. @returns false where something before it is missing: all of it has to be asked for */
  change({ key, seq, ...change }: Extract<ToBoard, { type: 'rows' }>, atMs: number): boolean {
    const known = this.seqs.get(key)
    const last = this.told.get(key)?.at(-1)?.slice
    if (known !== undefined && seq <= known) return true
    if (known !== seq - 1 || last?.of !== 'rows') return false
    this.seqs.set(key, seq)
    this.push(key, applyRows(last, change), atMs)
    return true
  }

  /** When the last change came; −∞: none did. */
  get changedMs(): number {
    let changedMs = -Infinity
    for (const each of this.told.values()) if (each.length > 1) changedMs = Math.max(changedMs, each.at(-1)?.atMs ?? 0)
    return changedMs
  }

  private push(key: string, slice: Slice, atMs: number): void {
    const before = this.told.get(key) ?? []
    const last = before.at(-1)
    // Two changes in one moment are the later one.
    const others = last?.atMs === atMs && before.length > 1 ? before.slice(0, -1) : before
    this.told.set(key, pruned([...others, { atMs, slice }], settleMs, atMs))
  }

  private forget(key: string): void {
    this.told.delete(key)
    this.seqs.delete(key)
  }
}
