import type { BoardMoment, Slice, Told } from './slice.ts'

type SliceOf<Of extends Slice['of']> = Extract<Slice, { of: Of }>

/** What a part was told so far, of the kind that it understands. */
export const toldOf = <Of extends Slice['of']>(
  { told }: Pick<BoardMoment, 'told'>,
  wantKey: string,
  of: Of,
): Told<SliceOf<Of>>[] => (told.get(wantKey) ?? []).filter((each): each is Told<SliceOf<Of>> => each.slice.of === of)

/** What stands at a moment; what stood at first stands before it, too. Null: nothing was told. */
export function lastTold<S extends Slice>(told: readonly Told<S>[], tMs: number): S | null {
  let last: S | null = null
  for (const [index, { atMs, slice }] of told.entries()) {
    if (index > 0 && atMs > tMs) break
    last = slice
  }
  return last
}
