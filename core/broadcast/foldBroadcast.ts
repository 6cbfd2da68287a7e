/** Who says that a broadcast begins or ends: somebody by hand, the studio, or what happens. */
export type BegunBy = 'hand' | 'studio' | 'events'
export type EndedBy = 'hand' | 'studio' | 'gap'

/** A broadcast that goes on. */
export interface OpenBroadcast {
  beganMs: number
  begunBy: BegunBy
  /** When something happened last. */
  lastMs: number
}

export interface EndedBroadcast extends OpenBroadcast {
  endedMs: number
  endedBy: EndedBy
}

export interface BroadcastState {
  open: OpenBroadcast | null
  /** Until then what happens begins nothing: a broadcast was ended by whoever knows. */
  quietUntilMs: number
}
export const noBroadcast: BroadcastState = { open: null, quietUntilMs: -Infinity }

export type BroadcastInput =
  /** Something happened; with `untilMs`, again and again until then, never so long apart that it parts two. */
  | { is: 'event'; atMs: number; untilMs?: number }
  | { is: 'begin'; by: 'hand' | 'studio'; atMs: number }
  | { is: 'end'; by: 'hand' | 'studio'; atMs: number }

/** So long without anything that happens parts two broadcasts. */
export const gapMs = 4 * 3_600_000
/** What came so shortly before somebody said that it begins belongs to it. */
const preludeMs = 30 * 60_000

/**
 * Where broadcasts begin and end, told by what happens in the order of time. What people and studios say comes first: a
 * broadcast that they end is over, and follows that trickle in behind it begin no other. Where nobody says anything, four
 * hours without an event part two.
 */
export function foldBroadcast(
  before: BroadcastState,
  input: BroadcastInput,
): { state: BroadcastState; ended: EndedBroadcast | null } {
  const { atMs } = input
  const past = overBy(before, atMs)
  const state = past ? { ...before, open: null } : before
  const { open } = state
  if (input.is === 'event') {
    const lastMs = input.untilMs ?? atMs
    if (open) return { state: { ...state, open: { ...open, lastMs: Math.max(open.lastMs, lastMs) } }, ended: past }
    if (atMs < state.quietUntilMs) return { state, ended: past }
    return { state: { ...state, open: { beganMs: atMs, begunBy: 'events', lastMs } }, ended: past }
  }
  if (input.is === 'end') {
    if (!open) return { state, ended: past }
    const ended = { ...open, lastMs: Math.max(open.lastMs, atMs), endedMs: atMs, endedBy: input.by }
    return { state: { open: null, quietUntilMs: atMs + gapMs }, ended }
  }
  if (open && open.begunBy !== 'events') return { state, ended: past }
  if (open && atMs - open.beganMs <= preludeMs)
    return { state: { ...state, open: { ...open, begunBy: input.by, lastMs: atMs } }, ended: past }
  const next = { beganMs: atMs, begunBy: input.by, lastMs: atMs }
  return {
    state: { ...state, open: next },
    ended: open ? { ...open, endedMs: open.lastMs, endedBy: 'gap' } : past,
  }
}

/** The broadcast that is over by now, for nothing has happened for so long; null: none is. */
export function overBy({ open }: BroadcastState, nowMs: number): EndedBroadcast | null {
  if (!open || nowMs - open.lastMs < gapMs) return null
  return { ...open, endedMs: open.lastMs, endedBy: 'gap' }
}
