import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kWeighting } from './kWeighting.ts'
import { levelledBy, levellingOf, usualLevel } from './level.ts'
import { LoudnessMeter, type Loudness } from './loudnessMeter.ts'

const rateHz = 48_000

/** One stretch of a 1 kHz sine: how long, how high its peak in dBFS; null is silence. */
type Stretch = [seconds: number, peakDb: number | null]

function sine(stretches: readonly Stretch[], rate = rateHz, hertz = 1000): Float32Array {
  const samples = new Float32Array(Math.round(stretches.reduce((sum, [seconds]) => sum + seconds, 0) * rate))
  let at = 0
  let until = 0
  for (const [seconds, peakDb] of stretches) {
    until += seconds
    const peak = peakDb === null ? 0 : 10 ** (peakDb / 20)
    for (; at < Math.min(samples.length, Math.round(until * rate)); at++)
      samples[at] = peak * Math.sin((2 * Math.PI * hertz * at) / rate)
  }
  return samples
}

function measure(channels: readonly Float32Array[], rate = rateHz, piece = 65_536): Loudness {
  const meter = new LoudnessMeter(rate, channels.length)
  for (let from = 0; from < (channels[0]?.length ?? 0); from += piece)
    meter.push(channels.map((samples) => samples.subarray(from, from + piece)))
  return meter.end()
}

const stereo = (stretches: readonly Stretch[], rate = rateHz) => {
  const samples = sine(stretches, rate)
  return [samples, samples]
}

const repeat = (times: number, stretches: readonly Stretch[]) => Array.from({ length: times }, () => stretches).flat()

describe('the K-weighting', () => {
  it('is the table of BS.1770-4 at 48 kHz', () => {
    const [shelf, pass] = kWeighting(48_000)
    expect(shelf.b0).toBeCloseTo(1.53512485958697, 9)
    expect(shelf.b1).toBeCloseTo(-2.69169618940638, 9)
    expect(shelf.b2).toBeCloseTo(1.19839281085285, 9)
    expect(shelf.a1).toBeCloseTo(-1.69065929318241, 9)
    expect(shelf.a2).toBeCloseTo(0.73248077421585, 9)
    expect(pass.a1).toBeCloseTo(-1.99004745483398, 9)
    expect(pass.a2).toBeCloseTo(0.99007225036621, 9)
  })
  it('reads the same loudness at every usual rate', () => {
    for (const rate of [16_000, 22_050, 32_000, 44_100, 88_200, 96_000, 192_000])
      expect(measure(stereo([[5, -23]], rate), rate).integratedLufs, `${rate} Hz`).toBeCloseTo(-23, 1)
  })
})

describe('EBU Tech 3341: integrated loudness within 0.1 LU', () => {
  it.each<[string, number, Stretch[]]>([
    ['1', -23, [[20, -23]]],
    ['2', -33, [[20, -33]]],
    [
      '3',
      -23,
      [
        [10, -36],
        [60, -23],
        [10, -36],
      ],
    ],
    [
      '4',
      -23,
      [
        [10, -72],
        [10, -36],
        [60, -23],
        [10, -36],
        [10, -72],
      ],
    ],
    [
      '5',
      -23,
      [
        [20, -26],
        [20.1, -20],
        [20, -26],
      ],
    ],
  ])('case %s', (_case, lufs, stretches) => {
    const measured = measure(stereo(stretches))
    expect(Math.abs(measured.integratedLufs - lufs)).toBeLessThanOrEqual(0.1)
    if (stretches.length === 1) {
      expect(Math.abs(measured.momentaryMaxLufs - lufs)).toBeLessThanOrEqual(0.1)
      expect(Math.abs(measured.shortTermMaxLufs - lufs)).toBeLessThanOrEqual(0.1)
    }
  })
  it('case 6: five channels with their weights', () => {
    const [front, middle, back] = [-28, -24, -30].map((peakDb) => sine([[20, peakDb]])) as [
      Float32Array,
      Float32Array,
      Float32Array,
    ]
    expect(Math.abs(measure([front, front, middle, back, back]).integratedLufs + 23)).toBeLessThanOrEqual(0.1)
    // With a channel for low-frequency effects, which does not count.
    expect(
      Math.abs(measure([front, front, middle, sine([[20, 0]]), back, back]).integratedLufs + 23),
    ).toBeLessThanOrEqual(0.1)
  })
})

describe('EBU Tech 3341: the loudest moments within 0.1 LU', () => {
  it('case 9: short term', () =>
    expect(
      Math.abs(
        measure(
          stereo(
            repeat(5, [
              [1.34, -20],
              [1.66, -30],
            ]),
          ),
        ).shortTermMaxLufs + 23,
      ),
    ).toBeLessThanOrEqual(0.1))
  it('case 12: momentary', () =>
    expect(
      Math.abs(
        measure(
          stereo(
            repeat(25, [
              [0.18, -20],
              [0.22, -30],
            ]),
          ),
        ).momentaryMaxLufs + 23,
      ),
    ).toBeLessThanOrEqual(0.1))
  it.each([0, 3, 7, 11, 19])('case 10: three seconds wherever they lie (%i × 150 ms)', (n) => {
    expect(
      Math.abs(
        measure(
          stereo([
            [n * 0.15 || 0.000_1, null],
            [3, -23],
            [1, null],
          ]),
        ).shortTermMaxLufs + 23,
      ),
    ).toBeLessThanOrEqual(0.1)
  })
  it.each([0, 1, 4, 9, 19])('case 13: 400 ms wherever they lie (%i × 20 ms)', (n) => {
    expect(
      Math.abs(
        measure(
          stereo([
            [n * 0.02 || 0.000_1, null],
            [0.4, -23],
            [1, null],
          ]),
        ).momentaryMaxLufs + 23,
      ),
    ).toBeLessThanOrEqual(0.1)
  })
})

describe('EBU Tech 3341: true peak within +0.2 and −0.4 dB', () => {
  it.each([
    ['15', 4, 0, 0.5, -6],
    ['16', 4, 45, 0.5, -6],
    ['17', 6, 60, 0.5, -6],
    ['18', 8, 67.5, 0.5, -6],
    ['19', 4, 45, 1.41, 3],
  ])('case %s: a sine at 1/%i of the rate, %d° late', (_case, part, degrees, amplitude, dbtp) => {
    // Faded at both ends: a sine that is cut off has a true peak of its own at the cut.
    const samples = Float32Array.from(
      { length: rateHz },
      (_, at) =>
        amplitude *
        Math.min(1, at / 2000, (rateHz - at) / 2000) *
        Math.sin((2 * Math.PI * at) / part + (degrees * Math.PI) / 180),
    )
    const { truePeakDbtp } = measure([samples, samples])
    expect(truePeakDbtp).toBeLessThanOrEqual(dbtp + 0.2)
    expect(truePeakDbtp).toBeGreaterThanOrEqual(dbtp - 0.4)
  })
  it('finds a peak between the last samples, and in pieces as in one', () => {
    const samples = new Float32Array(50)
    samples.set([0.9, 0.9], 48)
    const whole = measure([samples]).truePeakDbtp
    expect(whole).toBeGreaterThan(20 * Math.log10(0.9) + 0.5)
    expect(measure([samples], rateHz, 7).truePeakDbtp).toBeCloseTo(whole, 6)
  })
})

describe('EBU Tech 3342: loudness range within 1 LU', () => {
  it.each<[string, number, Stretch[]]>([
    [
      '1',
      10,
      [
        [20, -20],
        [20, -30],
      ],
    ],
    [
      '2',
      5,
      [
        [20, -20],
        [20, -15],
      ],
    ],
    [
      '3',
      20,
      [
        [20, -40],
        [20, -20],
      ],
    ],
    [
      '4',
      15,
      [
        [20, -50],
        [20, -35],
        [20, -20],
        [20, -35],
        [20, -50],
      ],
    ],
  ])('case %s', (_case, rangeLu, stretches) =>
    expect(Math.abs(measure(stereo(stretches)).rangeLu - rangeLu)).toBeLessThanOrEqual(1),
  )
})

describe('a meter', () => {
  it('reads mono as loud as it is played: from both speakers', () => {
    const samples = sine([[3, -20]])
    expect(measure([samples]).integratedLufs).toBeCloseTo(measure([samples, samples]).integratedLufs, 6)
  })
  it('moves with the gain, whatever the sound', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99_999 }),
        fc.double({ min: -24, max: 0, noNaN: true }),
        fc.integer({ min: 500, max: 30_000 }),
        (seed, gainDb, piece) => {
          let state = seed
          const noise = Float32Array.from(
            { length: 24_000 },
            () => ((state = (state * 48_271) % 0x7fff_ffff) / 0x7fff_ffff - 0.5) * 0.9,
          )
          const quieter = noise.map((sample) => sample * 10 ** (gainDb / 20))
          const [before, after] = [measure([noise]), measure([quieter], rateHz, piece)]
          expect(after.integratedLufs - before.integratedLufs).toBeCloseTo(gainDb, 3)
          expect(after.truePeakDbtp - before.truePeakDbtp).toBeCloseTo(gainDb, 3)
        },
      ),
      { numRuns: 25 },
    )
  })
  it('calls silence silent, and refuses what no sound is', () => {
    expect(measure([new Float32Array(48_000)])).toEqual({
      integratedLufs: -Infinity,
      momentaryMaxLufs: -Infinity,
      shortTermMaxLufs: -Infinity,
      rangeLu: 0,
      truePeakDbtp: -Infinity,
    })
    expect(measure([new Float32Array(0)]).truePeakDbtp).toBe(-Infinity)
    expect(() => new LoudnessMeter(0, 2)).toThrow('sampling rate')
    expect(() => new LoudnessMeter(48_000, 40)).toThrow('channels')
  })
})

describe('levelling', () => {
  const quiet: Loudness = {
    integratedLufs: -28,
    momentaryMaxLufs: -20,
    shortTermMaxLufs: -24,
    rangeLu: 0,
    truePeakDbtp: -9,
  }
  it('goes by the number measured for it; before there was one, from the loudest moment to the whole', () => {
    expect(levelledBy({ ...quiet, levelLufs: -22 }, 100)).toEqual({ lufs: -22, truePeakDbtp: -9 })
    expect(levelledBy(quiet, 1500)).toEqual({ lufs: -20, truePeakDbtp: -9 })
    expect(levelledBy(quiet, 6000)).toEqual({ lufs: -28, truePeakDbtp: -9 })
    for (let ms = 0; ms < 8000; ms += 10)
      expect(Math.abs((levelledBy(quiet, ms)?.lufs ?? 0) - (levelledBy(quiet, ms + 10)?.lufs ?? 0))).toBeLessThan(0.02)
    expect(levelledBy({ ...quiet, integratedLufs: -Infinity }, 5000)).toBeNull()
  })
  it('says what keeps a sound from its target', () => {
    expect(levellingOf({ lufs: -4, truePeakDbtp: 0.5 }, usualLevel)).toEqual({ gainDb: -12, heldBy: null })
    expect(levellingOf({ lufs: -28, truePeakDbtp: -9 }, usualLevel)).toEqual({ gainDb: 8, heldBy: 'ceiling' })
    expect(levellingOf({ lufs: -60, truePeakDbtp: -50 }, usualLevel)).toEqual({ gainDb: 24, heldBy: 'lift' })
  })
  it('never takes a true peak over the ceiling, nor a sound over its target', () => {
    const decibels = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(
        decibels(-70, 5),
        decibels(-70, 6),
        decibels(-36, -8),
        decibels(-9, 0),
        (lufs, truePeakDbtp, targetLufs, ceilingDbtp) => {
          const { gainDb, heldBy } = levellingOf({ lufs, truePeakDbtp }, { targetLufs, ceilingDbtp })
          expect(truePeakDbtp + gainDb).toBeLessThanOrEqual(ceilingDbtp + 1e-9)
          expect(lufs + gainDb).toBeLessThanOrEqual(targetLufs + 1e-9)
          if (heldBy === null) expect(lufs + gainDb).toBeCloseTo(targetLufs, 9)
        },
      ),
    )
  })
})
