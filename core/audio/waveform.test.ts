import { describe, expect, it } from 'vitest'
import { samplePeakDb, waveformPeaks } from './waveform.ts'

describe('a waveform', () => {
  it('is the loudest of all channels in each stretch', () => {
    const left = new Float32Array([0, 0.5, 0, 0, 0, 0, -0.25, 0])
    const right = new Float32Array([0, 0, 0, -1, 0, 0, 0, 0])
    expect([...waveformPeaks([left, right], 4)]).toEqual([0.5, 1, 0, 0.25])
  })
  it('is flat for silence and for a file without samples', () => {
    expect([...waveformPeaks([new Float32Array(10)], 3)]).toEqual([0, 0, 0])
    expect([...waveformPeaks([], 2)]).toEqual([0, 0])
  })
  it('has its peak in decibels', () => {
    expect(samplePeakDb([new Float32Array([0.1, -0.5])])).toBeCloseTo(-6.02, 2)
    expect(samplePeakDb([new Float32Array(4)])).toBe(-Infinity)
  })
})
