import type { TextPiece } from '../text/textPiece.ts'
import type { MoneyValue } from '../text/templateValue.ts'

/** What viewers are in a chat, as far as a mark tells it. */
export const chatRoles = ['host', 'helper', 'supporter'] as const
export type ChatRole = (typeof chatRoles)[number]

/** One row of a list, of a chat, or of who gave most. Its text is set as text, never as markup. */
export interface Row {
  id: string
  /** When it happened, in epoch milliseconds; null where that is not told. */
  atMs: number | null
  /** Who did it, where the row begins with that; empty: nobody. */
  name: string
  /** `#RRGGBB`; null: the part's own colour. */
  nameInk: string | null
  roles: ChatRole[]
  pieces: TextPiece[]
}

/** A goal as a bar shows it. */
export interface GoalSlice {
  of: 'goal'
  /** Null: there is none. */
  goal: {
    id: string
    title: string
    /** ISO 4217; null for goals that are not of money. */
    currency: string | null
    amount: number
    target: number
    /** All that it wants, the nearest first. */
    targets: number[]
    /** How many full rounds, where it repeats. */
    round: number
    daysLeft: number | null
    last: { name: string; amount: number | MoneyValue } | null
  } | null
}

export interface RowsSlice {
  of: 'rows'
  /** In the order of the part: the first is the newest, or the most. */
  rows: Row[]
  /** Ids of rows that were taken away, not outrun: they are gone at once. */
  removed: string[]
}

export interface CountSlice {
  of: 'count'
  count: number
}

export interface MomentSlice {
  of: 'moment'
  /** Epoch milliseconds; null: it has not begun. */
  atMs: number | null
}

/** All that a part is told, at a moment. Plain JSON. */
export type Slice = GoalSlice | RowsSlice | CountSlice | MomentSlice

/** One thing that a part was told, and when that was, in milliseconds on the board's clock. */
export interface Told<S extends Slice = Slice> {
  atMs: number
  slice: S
}

/** All that parts were told, by what they want; each in the order of time, the first being what stood when the board came. */
export type TellingOfBoard = ReadonlyMap<string, readonly Told[]>

/** The measured size of each row, by part and row; canvas pixels. */
export type RowHeights = (partId: string, row: Row) => number

/** What a board is drawn from besides its score. */
export interface BoardMoment {
  told: TellingOfBoard
  /** Epoch milliseconds at the board's first moment. */
  wallZeroMs: number
  heightOf: RowHeights
  /** BCP 47. */
  locale: string
  /** The channel’s, as an IANA name. */
  timeZone: string
}
