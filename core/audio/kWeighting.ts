/** One second-order section: y = b0 x + b1 x₁ + b2 x₂ − a1 y₁ − a2 y₂. */
export interface Biquad {
  b0: number
  b1: number
  b2: number
  a1: number
  a2: number
}

/**
 * The two sections of the K-weighting of ITU-R BS.1770-4 for any sampling rate. The recommendation tabulates them for
 * 48 kHz only; they are derived here from the analogue prototypes behind that table by the bilinear transform, so that
 * at 48 kHz the table comes out (to 1e-10) and at other rates the same curve.
 * @param rateHz sampling rate, 8,000…384,000
 */
export function kWeighting(rateHz: number): [shelf: Biquad, highPass: Biquad] {
  return [
    shelf(rateHz, 1681.974450955533, 3.999843853973347, 0.7071752369554196),
    highPass(rateHz, 38.13547087602444, 0.5003270373238773),
  ]
}

/** The head's effect: a shelf that lifts what is high. */
function shelf(rateHz: number, cornerHz: number, liftDb: number, q: number): Biquad {
  const k = Math.tan((Math.PI * cornerHz) / rateHz)
  const high = 10 ** (liftDb / 20)
  const band = high ** 0.4996667741545416
  const a0 = 1 + k / q + k * k
  return {
    b0: (high + (band * k) / q + k * k) / a0,
    b1: (2 * (k * k - high)) / a0,
    b2: (high - (band * k) / q + k * k) / a0,
    a1: (2 * (k * k - 1)) / a0,
    a2: (1 - k / q + k * k) / a0,
  }
}

/**
 * The revised low-frequency B-curve: a high-pass. Its numerator is 1, −2, 1 whatever the rate, as in the
 * recommendation.
 */
function highPass(rateHz: number, cornerHz: number, q: number): Biquad {
  const k = Math.tan((Math.PI * cornerHz) / rateHz)
  const a0 = 1 + k / q + k * k
  return { b0: 1, b1: -2, b2: 1, a1: (2 * (k * k - 1)) / a0, a2: (1 - k / q + k * k) / a0 }
}

/** The K-weighted energy of one channel, with the filters' memory between calls. */
export class WeightedChannel {
  private readonly sections: [Biquad, Biquad]
  /** The state of both sections in transposed direct form II. */
  private shelf1 = 0
  private shelf2 = 0
  private pass1 = 0
  private pass2 = 0

  constructor(rateHz: number) {
    this.sections = kWeighting(rateHz)
  }

  /** The sum of squares of the weighted samples `from` (included) to `to` (not included). Linear. */
  energy(samples: Float32Array, from: number, to: number): number {
    const [shelf, pass] = this.sections
    const { b0, b1, b2, a1, a2 } = shelf
    const { a1: c1, a2: c2 } = pass
    let { shelf1, shelf2, pass1, pass2 } = this
    let sum = 0
    for (let index = from; index < to; index++) {
      const x = samples[index] as number
      const lifted = b0 * x + shelf1
      shelf1 = b1 * x - a1 * lifted + shelf2
      shelf2 = b2 * x - a2 * lifted
      const weighted = lifted + pass1
      pass1 = -2 * lifted - c1 * weighted + pass2
      pass2 = lifted - c2 * weighted
      sum += weighted * weighted
    }
    // Denormal numbers after long silence would make every step many times slower.
    const settled = (state: number) => (Math.abs(state) < 1e-25 ? 0 : state)
    this.shelf1 = settled(shelf1)
    this.shelf2 = settled(shelf2)
    this.pass1 = settled(pass1)
    this.pass2 = settled(pass2)
    return sum
  }
}
