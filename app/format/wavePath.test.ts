import { describe, expect, it } from 'vitest'
import { wavePath } from './wavePath.ts'

describe('a waveform as a path', () => {
  it('is mirrored about its middle', () =>
    expect(wavePath(Uint8Array.of(0, 255))).toEqual({ path: 'M0 50.0L1 4.0L1 96.0L0 50.0Z', width: 2 }))
  it('joins what is finer than it is drawn, and loses no peak', () => {
    const { path, width } = wavePath(Uint8Array.of(0, 0, 255, 0, 0), 2)
    expect(width).toBe(2)
    expect(path).toContain('0 4.0')
  })
  it('of nothing is nothing', () => expect(wavePath(new Uint8Array())).toEqual({ path: '', width: 1 }))
})
