import type { RowsSlice, Slice } from '../../core/board/slice.ts'
import type { Want } from '../../core/board/want.ts'
import type { Removal } from '../feeds/adapter.ts'
import type { SaidEvent } from './sliceReader.ts'
import type { NumberedSlice } from '../../contract/boardMessages.ts'

/** Where a shown line of chat came from: by this it can be taken away. */
export interface LineOrigin {
  source: string
  externalId: string
  viewerId: string | null
}

/** What parts of a channel's boards are told under one name. */
export interface Topic {
  key: string
  want: Want
  /** Counts up with every change. */
  seq: number
  /** Null: nothing was read yet. */
  slice: Slice | null
  isStale: boolean
  /** Of a chat, by row. */
  origins: Map<string, LineOrigin>
}

export const newTopic = (key: string, want: Want): Topic => ({
  ...{ key, want, seq: 0, slice: null, isStale: true },
  origins: new Map(),
})

/** What stands under a name, with its number; nothing where nothing was read yet. */
export const numbered = (topic: Topic | undefined): NumberedSlice[] =>
  topic?.slice ? [{ key: topic.key, seq: topic.seq, slice: topic.slice }] : []

/** Ids of rows that are missing though newer ones would not have pushed them out: somebody took them away. */
export function takenAway(before: Slice | null, after: RowsSlice, most: number): string[] {
  if (before?.of !== 'rows') return []
  const there = new Set(after.rows.map(({ id }) => id))
  const oldest = after.rows.length < most ? -Infinity : (after.rows.at(-1)?.atMs ?? -Infinity)
  return before.rows.filter(({ id, atMs }) => !there.has(id) && (atMs ?? Infinity) > oldest).map(({ id }) => id)
}

/** Notes where lines came from that are shown now. */
export function noteOrigins({ origins }: Topic, lines: readonly SaidEvent[]): void {
  for (const { id, source, externalId, data } of lines)
    origins.set(id, { source, externalId, viewerId: data.viewer?.id ?? null })
}

/** Rows of a chat that these removals mean. */
export const meantBy = (removals: readonly Removal[], { origins }: Topic): string[] =>
  [...origins].flatMap(([id, { source, externalId, viewerId }]) =>
    removals.some(
      (removal) =>
        removal.source === source &&
        ('externalId' in removal ? removal.externalId === externalId : removal.viewerId === viewerId),
    )
      ? [id]
      : [],
  )

/** Of rows that are not there any more nobody needs to know where they came from. */
export function keepOrigins({ slice, origins }: Topic): void {
  const there = new Set(slice?.of === 'rows' ? slice.rows.map(({ id }) => id) : [])
  for (const id of [...origins.keys()]) if (!there.has(id)) origins.delete(id)
}
