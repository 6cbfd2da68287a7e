import { describe, expect, it } from 'vitest'
import { SoundMeter } from './soundMeter.ts'

const rateHz = 44_100

function measure(samples: Float32Array, piece = 4096) {
  const meter = new SoundMeter(rateHz, 1)
  for (let from = 0; from < samples.length; from += piece) meter.push([samples.subarray(from, from + piece)])
  return meter.end()
}

describe('a sound that is measured', () => {
  const samples = Float32Array.from({ length: rateHz * 2 }, (_, at) =>
    at >= rateHz * 0.25 && at < rateHz * 1.5 ? 0.5 * Math.sin(at / 10) : 0,
  )

  it('has its length and its silences', () =>
    expect(measure(samples)).toMatchObject({
      durationMs: 2000,
      rateHz,
      channelCount: 1,
      leadingSilenceMs: 250,
      trailingSilenceMs: 500,
    }))
  it('has a waveform at several zooms, of which each covers the one before', () => {
    const { waveform } = measure(samples)
    expect(waveform.map(({ stretchMs, peaks }) => [stretchMs, peaks.length])).toEqual([
      [10, 200],
      [40, 50],
    ])
    expect([...(waveform[1]?.peaks ?? [])].slice(5, 9)).toEqual([0, 128, 128, 128])
  })
  it('is the same in whatever pieces it comes', () => {
    const { integratedLufs, ...whole } = measure(samples, 100_000)
    expect(measure(samples, 333)).toEqual({ ...whole, integratedLufs: expect.closeTo(integratedLufs, 9) })
  })
  it('is silent all over where nothing is heard', () =>
    expect(measure(new Float32Array(rateHz))).toMatchObject({
      durationMs: 1000,
      leadingSilenceMs: 1000,
      trailingSilenceMs: 1000,
      truePeakDbtp: -Infinity,
    }))
  it('may be empty', () =>
    expect(measure(new Float32Array(0))).toMatchObject({
      durationMs: 0,
      waveform: [{ stretchMs: 10, peaks: new Uint8Array() }],
    }))
})
