/**
 * An ordered line of effects with one owner at a time, as it is named where effects are kept. A box has one: what it
 * shows, one after another.
 */
export type Lane = `box:${string}`

export function laneOfBox(boxId: string): Lane {
  return `box:${boxId}`
}

/** The box of a lane; null for a lane of another kind. */
export function boxOfLane(lane: string): string | null {
  return lane.startsWith('box:') ? lane.slice(4) : null
}
