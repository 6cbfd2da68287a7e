/** What has to be known of one trigger's uses to ask its gate. Moments are those of the wall clock, in milliseconds. */
export interface GateState {
  /** When it was last set off; null: never. */
  lastMs: number | null
  /** How often in the stream that began at `streamMs`. */
  uses: number
  streamMs: number
  /** How many are left; null where the gate has no stock. */
  left: number | null
  /** Who asked for it and when, the earliest first; each viewer once. */
  votes: readonly Vote[]
}

export interface Vote {
  viewerId: string
  atMs: number
}

/** The same of one viewer and one trigger. */
export interface ViewerUses {
  lastMs: number | null
  uses: number
  streamMs: number
}

export const unusedGate = (stock: number | null): GateState => ({
  lastMs: null,
  uses: 0,
  streamMs: 0,
  left: stock,
  votes: [],
})
export const unusedByViewer: ViewerUses = { lastMs: null, uses: 0, streamMs: 0 }

/** What was set aside for a use that was allowed: enough to take it back as if it had never been. */
export interface Reservation {
  viewerId: string
  atMs: number
  streamMs: number
  cost: number
  takesStock: boolean
  /** What stood there before. */
  before: { allMs: number | null; viewerMs: number | null; votes: readonly Vote[] }
}
