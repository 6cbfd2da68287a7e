import { hexOfRgb, oklchOf } from './oklch.ts'

const bins = 36

/**
 * The colour that a picture is remembered by: pixels vote for their hue (OKLCH) by chroma times coverage, the best run
 * of neighbouring hues wins, and its mean in sRGB is the answer. Frames of an animation are given one after another as
 * one buffer. A picture without colour answers with its mean grey.
 * @param rgba 8-bit, four numbers a pixel
 * @returns `#RRGGBB`; null when nothing is opaque
 */
export function dominantColour(rgba: Uint8ClampedArray): string | null {
  const votes = new Float64Array(bins)
  const sums = new Float64Array(bins * 4)
  const grey = [0, 0, 0, 0]
  for (let at = 0; at + 3 < rgba.length; at += 4) {
    const alpha = (rgba[at + 3] ?? 0) / 255
    if (alpha < 0.1) continue
    const red = (rgba[at] ?? 0) / 255
    const green = (rgba[at + 1] ?? 0) / 255
    const blue = (rgba[at + 2] ?? 0) / 255
    grey[0] = (grey[0] ?? 0) + red * alpha
    grey[1] = (grey[1] ?? 0) + green * alpha
    grey[2] = (grey[2] ?? 0) + blue * alpha
    grey[3] = (grey[3] ?? 0) + alpha
    const { c, h } = oklchOf([red, green, blue])
    if (c < 0.03) continue
    const bin = Math.min(bins - 1, Math.floor((h / 360) * bins))
    const weight = c * alpha
    votes[bin] = (votes[bin] ?? 0) + weight
    for (const [index, value] of [red, green, blue, 1].entries())
      sums[bin * 4 + index] = (sums[bin * 4 + index] ?? 0) + value * weight
  }
  const opaque = grey[3] ?? 0
  if (opaque === 0) return null
  let best = -1
  let bestVotes = 0
  for (let bin = 0; bin < bins; bin++) {
    const together = (votes[(bin + bins - 1) % bins] ?? 0) + (votes[bin] ?? 0) + (votes[(bin + 1) % bins] ?? 0)
    if (together > bestVotes) [best, bestVotes] = [bin, together]
  }
  // Colour that covers next to nothing is noise of a grey picture.
  if (best < 0 || bestVotes / opaque < 0.004)
    return hexOfRgb([(grey[0] ?? 0) / opaque, (grey[1] ?? 0) / opaque, (grey[2] ?? 0) / opaque])
  const mean = [0, 0, 0, 0]
  for (const bin of [(best + bins - 1) % bins, best, (best + 1) % bins])
    for (let index = 0; index < 4; index++) mean[index] = (mean[index] ?? 0) + (sums[bin * 4 + index] ?? 0)
  const weight = mean[3] ?? 1
  return hexOfRgb([(mean[0] ?? 0) / weight, (mean[1] ?? 0) / weight, (mean[2] ?? 0) / weight])
}
