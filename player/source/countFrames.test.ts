import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { countFrames } from './countFrames.ts'

describe('pictures that come too late', () => {
  let asked: ((atMs: number) => void)[] = []
  beforeEach(() => {
    asked = []
    vi.stubGlobal('requestAnimationFrame', (callback: (atMs: number) => void) => asked.push(callback))
  })
  afterEach(() => vi.unstubAllGlobals())
  const frames = { drawn: 0, dropped: 0 }
  let isOn = true
  function draw(framesPerSecond: number, ...atMs: number[]): { drawn: number; dropped: number } {
    asked = []
    Object.assign(frames, { drawn: 0, dropped: 0 })
    isOn = true
    countFrames(frames, { framesPerSecond }, () => isOn)
    for (const each of atMs) asked.shift()?.(each)
    return frames
  }

  it('are none where each comes at its time, however quick the screen is', () => {
    expect(draw(60, 1000, 1016.7, 1033.3, 1050)).toEqual({ drawn: 4, dropped: 0 })
    expect(draw(30, 1000, 1016.7, 1033.3, 1050)).toEqual({ drawn: 4, dropped: 0 })
  })
  it('are counted by the rate of the canvas', () => {
    expect(draw(60, 1000, 1050)).toEqual({ drawn: 2, dropped: 2 })
    expect(draw(60, 1000, 1033.3, 1066.7)).toEqual({ drawn: 3, dropped: 2 })
  })
  it('are none while the page is not shown, and none behind the end', () => {
    expect(draw(60, 1000, 4000, 4016.7)).toEqual({ drawn: 2, dropped: 0 })
    draw(60, 1000)
    isOn = false
    asked.shift()?.(2000)
    expect([frames.dropped, asked.length]).toEqual([0, 0])
  })
})
