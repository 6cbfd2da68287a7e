/** Of the opening, so much is lifting. */
export const liftedRatio = 0.45
/** So many packets stand on the shelf at once, an odd number: one of them is the middle one. */
export const packetsSeen = 5

/** One push of the peel: it slides the row by so many packets and is drawn back. Times from the start of sliding, as ratios of it. */
export interface Stroke {
  from: number
  /** The row stands again; the peel is drawn back until the next begins. */
  pushed: number
  until: number
  /** Packets that had passed before, and that pass now. */
  before: number
  packets: number
}

/** Nobody slides more at once. */
const packetsMax = 3
/** So much slower is each stroke than the one before. */
const slower = 0.32
/** Of a stroke, so much is pushing. */
const pushingRatio = 0.66

/** The strokes of a draw, quick and long at first, then slower and shorter: the last one slides a single packet. Linear. */
export function strokesOf(count: number): Stroke[] {
  const lengths = Array.from({ length: count }, (_, index) => 1 + slower * index)
  const all = lengths.reduce((sum, each) => sum + each, 0)
  let [from, before] = [0, 0]
  return lengths.map((length, index) => {
    const left = count - 1 - index
    const packets = Math.min(packetsMax, 1 + Math.floor(left * 0.7))
    const until = index === count - 1 ? 1 : from + length / all
    // After the last one nothing has to be drawn back: the loaf lies on the peel.
    const pushed = index === count - 1 ? 1 : from + (until - from) * pushingRatio
    const stroke = { from, pushed, until, before, packets }
    from = until
    before += packets
    return stroke
  })
}

/** How many packets pass in all. */
export const passedBy = (strokes: readonly Stroke[]): number => strokes.reduce((sum, { packets }) => sum + packets, 0)
