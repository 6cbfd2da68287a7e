/**
 * A waveform as an SVG path: mirrored about 50, reaching from 4 to 96, one unit wide for each stretch.
 * @param peaks amplitudes 0…255
 * @param most stretches that are drawn; more are joined, each run by its highest
 */
export function wavePath(peaks: Uint8Array, most = 600): { path: string; width: number } {
  const run = Math.max(1, Math.ceil(peaks.length / most))
  const joined: number[] = []
  for (let from = 0; from < peaks.length; from += run)
    joined.push(peaks.subarray(from, from + run).reduce((highest, peak) => Math.max(highest, peak), 0) / 255)
  if (joined.length === 0) return { path: '', width: 1 }
  const top = joined.map((peak, index) => `${index} ${(50 - peak * 46).toFixed(1)}`)
  const bottom = joined.map((peak, index) => `${index} ${(50 + peak * 46).toFixed(1)}`).reverse()
  return { path: `M${[...top, ...bottom].join('L')}Z`, width: joined.length }
}
