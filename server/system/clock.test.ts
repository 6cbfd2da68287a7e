import { describe, expect, it } from 'vitest'
import { Clock, timerMs } from './clock.ts'

const hourMs = 3_600_000

describe('Clock', () => {
  const times = { wall: 1_000_000_000, monotonic: 500 }
  const clock = () =>
    new Clock(
      () => times.wall,
      () => times.monotonic,
    )

  it('begins with both alike, and goes on steadily where the wall clock is set', () => {
    const both = clock()
    expect(both.steadyMs()).toBe(both.wallMs())
    times.monotonic += 250
    times.wall += 250 - hourMs
    expect(both.steadyMs()).toBe(1_000_000_250)
    expect(both.wallOf(both.steadyMs() - 50)).toBe(both.wallMs() - 50)
    expect(both.steadyOf(both.wallMs() - 2000)).toBe(both.steadyMs() - 2000)
  })

  it('takes what was kept before the clock was set back for now, never for later', () => {
    const both = clock()
    const keptMs = both.wallMs()
    times.wall -= 40 * 24 * hourMs
    expect(both.steadyOf(keptMs)).toBe(both.steadyMs())
  })
})

describe('timerMs', () => {
  it('never overflows, and is never nothing', () => {
    expect(timerMs(40 * 24 * hourMs, 0)).toBe(2 ** 31 - 1)
    expect([timerMs(5, 10), timerMs(30, 10)]).toEqual([1, 20])
  })
})
