/**
 * An ordered line of effects with one owner at a time, as it is named where effects are kept. A box has one: what it
 * shows, one after another. A channel has one: what its viewers set off.
 */
export type Lane = BoxLane | ChannelLane
export type BoxLane = `box:${string}`
export type ChannelLane = `channel:${string}`

export function laneOfBox(boxId: string): BoxLane {
  return `box:${boxId}`
}

export function laneOfChannel(channelId: string): ChannelLane {
  return `channel:${channelId}`
}

/** The channel of a lane of what its viewers set off; null for a lane of another kind. */
export function channelOfLane(lane: string): string | null {
  return lane.startsWith('channel:') ? lane.slice(8) : null
}

/** The box of a lane; null for a lane of another kind. */
export function boxOfLane(lane: string): string | null {
  return lane.startsWith('box:') ? lane.slice(4) : null
}
