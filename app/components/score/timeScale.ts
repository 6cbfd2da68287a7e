/** A moment as a place on the lanes; a little room is left after the end. */
export interface TimeScale {
  spanMs: number
  /** As a CSS length of the lanes' width. */
  at(ms: number): string
}

export function timeScale(lengthMs: number): TimeScale {
  const spanMs = Math.max(500, lengthMs) * 1.03
  return { spanMs, at: (ms) => `${(ms / spanMs) * 100}%` }
}

/** Moments of this many pixels around the pointer are caught. */
export const catchPx = 7

/** The nearest of some moments within a reach; null for none. */
export function nearest(moments: readonly number[], toMs: number, reachMs: number): number | null {
  let best: number | null = null
  for (const moment of moments)
    if (Math.abs(moment - toMs) <= reachMs && (best === null || Math.abs(moment - toMs) < Math.abs(best - toMs)))
      best = moment
  return best
}
