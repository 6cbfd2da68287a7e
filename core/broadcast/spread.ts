/** How a number is spread over many: the middle, what nineteen of twenty stay under, and the worst; by nearest ranks. */
export interface Spread {
  count: number
  p50Ms: number
  p95Ms: number
  worstMs: number
}

/** @param times is put in order */
export function spreadOf(times: number[]): Spread {
  times.sort((a, b) => a - b)
  const at = (share: number) => times[Math.max(0, Math.ceil(share * times.length) - 1)] ?? 0
  return { count: times.length, p50Ms: at(0.5), p95Ms: at(0.95), worstMs: at(1) }
}
