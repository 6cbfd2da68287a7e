import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { overshootOf, sumPeak, type SoundInSum } from './sumPeak.ts'

const sound = (peaks: number[], changes: Partial<SoundInSum> = {}): SoundInSum => ({
  startMs: 0,
  endMs: peaks.length * 10,
  gainDb: 0,
  repeats: false,
  overshoot: 1,
  waveform: { stretchMs: 10, peaks: Uint8Array.from(peaks) },
  ...changes,
})

describe('the sum of sounds', () => {
  it('is looked for where they meet, not where each is loudest', () => {
    const early = sound([255, 255, 51, 51])
    const late = sound([51, 51, 255, 255])
    expect(sumPeak([early, late]).amplitude).toBeCloseTo(1.2, 6)
    expect(sumPeak([early, { ...late, startMs: 20, endMs: 60 }])).toEqual({
      amplitude: expect.closeTo(0.4, 6) as number,
      atMs: 20,
    })
  })
  it('is nothing where one is heard alone', () =>
    expect(sumPeak([sound([255, 255]), sound([255, 255], { startMs: 40, endMs: 60 })]).amplitude).toBe(0))
  it('goes on where a sound begins again', () => {
    const again = sound([255, 0], { repeats: true, endMs: 80 })
    expect(sumPeak([again, sound([255], { startMs: 60, endMs: 70 })]).amplitude).toBe(2)
  })
  it('is never less than what is heard, wherever the sounds lie', () => {
    const wave = fc.array(fc.integer({ min: 1, max: 255 }), { minLength: 1, maxLength: 30 })
    fc.assert(
      fc.property(wave, wave, fc.integer({ min: 0, max: 300 }), (a, b, startMs) => {
        const second = sound(b, { startMs, endMs: startMs + b.length * 10 })
        let heard = 0
        for (let atMs = 0; atMs < 600; atMs++) {
          const first = a[Math.floor(atMs / 10)] ?? 0
          const other = atMs >= startMs ? (b[Math.floor((atMs - startMs) / 10)] ?? 0) : 0
          if (first > 0 && other > 0) heard = Math.max(heard, (first + other) / 255)
        }
        expect(sumPeak([sound(a), second]).amplitude).toBeGreaterThanOrEqual(heard - 1e-9)
      }),
    )
  })
  it('knows how far a true peak lies above the samples', () => {
    expect(overshootOf(0, { stretchMs: 10, peaks: Uint8Array.of(0, 128) })).toBeCloseTo(1.992, 3)
    expect(overshootOf(-20, { stretchMs: 10, peaks: Uint8Array.of(255) })).toBe(1)
    expect(overshootOf(-Infinity, { stretchMs: 10, peaks: Uint8Array.of(0) })).toBe(1)
  })
})
