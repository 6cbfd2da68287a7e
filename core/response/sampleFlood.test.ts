import { describe, expect, it } from 'vitest'
import { demoBoxes } from '../../demo/scenario.ts'
import { floodOutcome } from '../queue/flood.ts'
import { plainPolicy, readyPolicy, usualPolicy } from '../queue/policy.ts'
import { sampleFlood } from './sampleFlood.ts'

const document = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
const channel = {
  ...{ locale: 'en', currency: 'EUR', rates: {}, timeZone: 'Europe/Lisbon', media: {}, flags: () => false },
}

describe('a flood behind a raid', () => {
  const flood = sampleFlood(document, channel)

  it('is the same every time, in the order in which it comes', () => {
    expect(sampleFlood(document, channel)).toEqual(flood)
    expect(flood.map(({ atMs }) => atMs)).toEqual(flood.map(({ atMs }) => atMs).toSorted((a, b) => a - b))
    expect(flood.length).toBe(1 + 118 + 1 + 3)
  })
  it('is over within minutes with what a new box begins with, and nobody’s alert is late; one by one it takes a quarter of an hour', () => {
    const before = floodOutcome(flood, plainPolicy)
    const after = floodOutcome(flood, readyPolicy(usualPolicy))
    const lastMs = flood.at(-1)!.atMs
    expect(before.calmAtMs - lastMs).toBeGreaterThan(10 * 60_000)
    expect(after.calmAtMs - lastMs).toBeLessThan(30_000)
    expect(after.longestMs).toBeLessThan(40_000)
    expect(after.letGo).toBe(0)
    expect(after.shared).toBeGreaterThan(80)
    expect(after.shown.reduce((sum, { count }) => sum + count, 0)).toBe(flood.length)
    expect(before.shown).toHaveLength(flood.length)
  })
  it('leaves out what the box does not show', () => {
    const quiet = { ...document, alerts: document.alerts.filter(({ id }) => id !== 'follow') }
    expect(sampleFlood(quiet, channel)).toHaveLength(5)
  })
})
