import { describe, expect, it } from 'vitest'
import { demoNight, nightFromMs, nightLengthMs } from './night.ts'

describe('the demo’s night', () => {
  it('of 24 November: 904 things from ten until four, most of them after the raid at 00:40', () => {
    const night = demoNight()
    expect(night).toHaveLength(904)
    expect(
      night.every(({ occurredAtMs }) => occurredAtMs >= nightFromMs && occurredAtMs < nightFromMs + nightLengthMs),
    ).toBe(true)
    const raidMs = nightFromMs + 160 * 60_000
    const flood = night.filter(({ occurredAtMs }) => occurredAtMs >= raidMs && occurredAtMs < raidMs + 90_000)
    expect(flood.length).toBeGreaterThan(168)
  })
})
