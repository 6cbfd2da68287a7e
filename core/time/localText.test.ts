import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { localText, momentOfText } from './localText.ts'

describe('a moment in a field', () => {
  it('is what the clock of its zone shows', () => {
    const atMs = Date.UTC(2026, 11, 20, 23, 59)
    expect(localText(atMs, 'Europe/Lisbon')).toBe('2026-12-20T23:59')
    expect(localText(atMs, 'Pacific/Auckland')).toBe('2026-12-21T12:59')
    expect(momentOfText('2026-12-21T12:59', 'Pacific/Auckland')).toBe(atMs)
    expect(['', 'tomorrow', '2026-13-40T10:00', '2026-12-20T25:00'].map((text) => momentOfText(text, 'UTC'))).toEqual(
      Array(4).fill(null),
    )
  })

  it('comes back as it was, to the minute, wherever the clock is not set back', () => {
    const zone = fc.constantFrom('UTC', 'Asia/Kolkata', 'Asia/Tokyo', 'America/Phoenix')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60_000_000 }), zone, (minutes, timeZone) => {
        const atMs = Date.UTC(1990, 0, 1) + minutes * 60_000
        expect(momentOfText(localText(atMs, timeZone), timeZone)).toBe(atMs)
      }),
    )
  })
})
