import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SoundMeter } from './soundMeter.ts'

const rateHz = 8000

/** Sounds of a given length, as samples at a moment. */
const sounds: Record<string, (s: number, lengthS: number) => number> = {
  tone: (s) => 0.4 * Math.sin(2 * Math.PI * 700 * s),
  chime: (s) => 0.7 * Math.exp(-s * 1.6) * Math.sin(2 * Math.PI * 900 * s),
  stroke: (s) => 0.8 * Math.exp(-s * 14) * Math.sin(2 * Math.PI * 500 * s),
  swell: (s, lengthS) => 0.6 * Math.min(1, s / lengthS) * Math.sin(2 * Math.PI * 400 * s),
  rhythm: (s) => (s % 0.5 < 0.2 ? 0.5 : 0.05) * Math.sin(2 * Math.PI * 600 * s),
}

function levelOf(shape: string, lengthMs: number, beforeMs = 0, afterMs = 0): number {
  const [before, heard, after] = [beforeMs, lengthMs, afterMs].map((ms) => Math.round((ms * rateHz) / 1000)) as [
    number,
    number,
    number,
  ]
  const samples = new Float32Array(before + heard + after)
  for (let at = 0; at < heard; at++) samples[before + at] = sounds[shape]?.(at / rateHz, lengthMs / 1000) ?? 0
  const meter = new SoundMeter(rateHz, 1)
  meter.push([samples])
  return meter.end().levelLufs
}

const shape = fc.constantFrom(...Object.keys(sounds))

describe('the level of a sound', () => {
  it('makes no step where a sound gets longer', () => {
    for (const each of Object.keys(sounds)) {
      let before: number | null = null
      // Every length of a little more, from a blink to beyond where the mean counts.
      for (let lengthMs = 60; lengthMs < 9000; lengthMs += Math.max(10, lengthMs * 0.015)) {
        const level = levelOf(each, lengthMs)
        if (before !== null) expect(Math.abs(level - before), `${each}, ${lengthMs} ms`).toBeLessThan(0.5)
        before = level
      }
    }
  }, 60_000)
  it('does not hang on silence around it', () => {
    fc.assert(
      fc.property(
        shape,
        fc.double({ min: 60, max: 7000, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        (each, lengthMs, beforeMs, afterMs) => {
          expect(Math.abs(levelOf(each, lengthMs, beforeMs, afterMs) - levelOf(each, lengthMs))).toBeLessThan(0.5)
        },
      ),
      { numRuns: 60 },
    )
  }, 60_000)
  it('is what it was where the old rule had its cliffs', () => {
    for (const each of Object.keys(sounds))
      for (const lengthMs of [400, 3000])
        expect(Math.abs(levelOf(each, lengthMs - 10) - levelOf(each, lengthMs + 10)), each).toBeLessThan(0.3)
  })
  it('of a long sound is its integrated loudness, of a short one its loudest moment', () => {
    const meter = new SoundMeter(rateHz, 1)
    meter.push([Float32Array.from({ length: rateHz * 12 }, (_, at) => sounds.rhythm?.(at / rateHz, 12) ?? 0)])
    const long = meter.end()
    expect(Math.abs(long.levelLufs - long.integratedLufs)).toBeLessThan(0.2)
    const strokes = new SoundMeter(rateHz, 1)
    strokes.push([Float32Array.from({ length: rateHz }, (_, at) => sounds.stroke?.(at / rateHz, 1) ?? 0)])
    const short = strokes.end()
    expect(Math.abs(short.levelLufs - short.momentaryMaxLufs)).toBeLessThan(0.2)
  })
  it('of silence is none', () => {
    const meter = new SoundMeter(rateHz, 1)
    meter.push([new Float32Array(rateHz)])
    expect(meter.end().levelLufs).toBe(-Infinity)
  })
})
