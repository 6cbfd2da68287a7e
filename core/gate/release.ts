import type { GateState, Reservation, ViewerUses } from './state.ts'

/**
 * Takes a use back that never began: stock and counts as before, and a cooldown that began with it is undone where no later
 * use stands on it. Votes that were spent on it count again. The cost is given back by whoever keeps the points.
 */
export function release(
  reserved: Reservation,
  state: GateState,
  viewer: ViewerUses,
): { state: GateState; viewer: ViewerUses } {
  const { before, atMs, streamMs, takesStock } = reserved
  const isSameStream = state.streamMs === streamMs
  const again = before.votes.filter(({ viewerId }) => !state.votes.some((vote) => vote.viewerId === viewerId))
  return {
    state: {
      ...state,
      lastMs: state.lastMs === atMs ? before.allMs : state.lastMs,
      uses: isSameStream ? Math.max(0, state.uses - 1) : state.uses,
      left: takesStock && state.left !== null ? state.left + 1 : state.left,
      votes: [...again, ...state.votes],
    },
    viewer: {
      ...viewer,
      lastMs: viewer.lastMs === atMs ? before.viewerMs : viewer.lastMs,
      uses: viewer.streamMs === streamMs ? Math.max(0, viewer.uses - 1) : viewer.uses,
    },
  }
}
