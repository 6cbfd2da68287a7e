import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { calendarDay, localMoment, momentAt } from './localMoment.ts'

const zones = ['Europe/Lisbon', 'UTC', 'Asia/Kathmandu', 'America/St_Johns', 'Pacific/Kiritimati']
const between = { min: Date.UTC(1995, 0, 1), max: Date.UTC(2060, 0, 1) }

describe('a moment on the clock', () => {
  it.each([
    ['2026-11-25T00:40:10Z', 'Europe/Lisbon', { minute: 40, weekday: 2, dayOfYear: 329 }],
    ['2026-07-01T23:30:00Z', 'Europe/Lisbon', { minute: 30, weekday: 3, dayOfYear: 183 }],
    ['2024-02-29T12:00:00Z', 'UTC', { minute: 720, weekday: 3, dayOfYear: 59 }],
    ['2026-12-31T18:20:00Z', 'Asia/Kathmandu', { minute: 5, weekday: 4, dayOfYear: 0 }],
  ])('%s in %s', (at, zone, expected) => expect(localMoment(Date.parse(at), zone)).toMatchObject(expected))

  it('goes there and back, wherever no hour is skipped or repeated', () => {
    fc.assert(
      fc.property(fc.integer(between), fc.constantFrom(...zones), (atMs, zone) => {
        const { day, minute } = localMoment(atMs, zone)
        const back = localMoment(momentAt(day, minute, zone), zone)
        // Of an hour that comes twice, either is right: clock and calendar show the same.
        expect([back.day, back.minute]).toEqual([day, minute])
      }),
    )
  })
  it('of an hour that summer time skips lies behind the gap', () => {
    const day = Date.UTC(2026, 2, 29) / 86_400_000
    expect(localMoment(momentAt(day, 90, 'Europe/Lisbon'), 'Europe/Lisbon').minute).toBeGreaterThanOrEqual(120)
  })
  it('has the same place in every year', () => {
    const places = [2023, 2024, 2025, 2026].map((year) => calendarDay(Date.UTC(year, 11, 24) / 86_400_000).dayOfYear)
    expect(new Set(places)).toEqual(new Set([358]))
  })
  it('is refused in a zone that does not exist', () => expect(() => localMoment(0, 'Oven/Warm')).toThrow(RangeError))
})
