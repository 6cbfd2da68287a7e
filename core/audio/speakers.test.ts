import { describe, expect, it } from 'vitest'
import { LoudnessMeter } from './loudnessMeter.ts'
import { speakersOf, speakersOfMask, weightOfSpeaker, type Speaker } from './speakers.ts'

const rateHz = 48_000
const tone = Float32Array.from({ length: rateHz * 2 }, (_, at) => 0.1 * Math.sin((2 * Math.PI * 1000 * at) / rateHz))
const silence = new Float32Array(rateHz * 2)

/** The loudness of a sound of which one channel is heard, against one in front. */
function loudnessFrom(at: number, count: number, speakers?: readonly Speaker[]): number {
  const measure = (place: number, of?: readonly Speaker[]) => {
    const meter = new LoudnessMeter(rateHz, count, of)
    meter.push(Array.from({ length: count }, (_, channel) => (channel === place ? tone : silence)))
    return meter.end().integratedLufs
  }
  return measure(at, speakers) - measure(0, speakers)
}

describe('channels', () => {
  it('of 7.1 count all eight but the low frequencies: those at the side more, those behind as those in front', () => {
    expect([1, 2, 4, 5].map((at) => loudnessFrom(at, 8).toFixed(2))).toEqual(['0.00', '0.00', '0.00', '0.00'])
    expect([6, 7].map((at) => loudnessFrom(at, 8).toFixed(2))).toEqual(['1.49', '1.49'])
    expect(loudnessFrom(3, 8)).toBe(-Infinity)
  })
  it.each([
    [3, [0, 0, 0]],
    [5, [0, 0, 0, 1.49, 1.49]],
    [6, [0, 0, 0, 1.49, 1.49, -Infinity]],
    [7, [0, 0, 0, 1.49, 1.49, 0, -Infinity]],
    [8, [0, 0, 0, 1.49, 1.49, 0, 0, -Infinity]],
  ])('of Ogg files have an order of their own: %d', (count, gains) =>
    gains.forEach((gain, at) => expect(loudnessFrom(at, count, speakersOf('vorbis', count))).toBeCloseTo(gain, 1)),
  )
  it('are named by a WAV file’s mask', () => {
    expect(speakersOfMask(0x3f, 6)).toEqual(['left', 'right', 'centre', 'lowFrequency', 'sideLeft', 'sideRight'])
    expect(speakersOfMask(0x60f, 6)).toEqual(['left', 'right', 'centre', 'lowFrequency', 'sideLeft', 'sideRight'])
    expect(speakersOfMask(0x63f, 8)?.slice(4)).toEqual(['backLeft', 'backRight', 'sideLeft', 'sideRight'])
    expect(speakersOfMask(0x107, 4)).toEqual(['left', 'right', 'centre', 'backCentre'])
    expect([speakersOfMask(0x3f, 8), speakersOfMask(0, 2), speakersOfMask(0x8000_0003 | 0, 3)]).toEqual([
      null,
      null,
      null,
    ])
  })
  it('are as many as a format has them', () => {
    for (const order of ['wav', 'vorbis'] as const)
      for (let count = 1; count <= 8; count++) {
        expect(speakersOf(order, count)).toHaveLength(count)
        expect(new Set(speakersOf(order, count)).size).toBe(count)
      }
    expect(weightOfSpeaker('lowFrequency')).toBe(0)
  })
})

describe('true peaks at high rates', () => {
  it.each([44_100, 48_000, 96_000, 192_000])('are found between samples at %d Hz too', (rate) => {
    for (const part of [4, 5, 6]) {
      const samples = Float32Array.from(
        { length: rate / 4 },
        (_, at) =>
          0.5 * Math.min(1, at / 2000, (rate / 4 - at) / 2000) * Math.sin((2 * Math.PI * at) / part + Math.PI / 4),
      )
      const meter = new LoudnessMeter(rate, 1)
      meter.push([samples])
      expect(Math.abs(meter.end().truePeakDbtp + 6.02), `a ${part}th of ${rate} Hz`).toBeLessThan(0.25)
    }
  })
})
