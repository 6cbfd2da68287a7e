import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldBroadcast, gapMs, noBroadcast, overBy, type BroadcastInput, type EndedBroadcast } from './foldBroadcast.ts'

const minute = 60_000
const hour = 60 * minute
const event = (atMs: number): BroadcastInput => ({ is: 'event', atMs })
const begin = (atMs: number, by: 'hand' | 'studio' = 'hand'): BroadcastInput => ({ is: 'begin', by, atMs })
const end = (atMs: number, by: 'hand' | 'studio' = 'hand'): BroadcastInput => ({ is: 'end', by, atMs })

function all(inputs: readonly BroadcastInput[], nowMs = Infinity): EndedBroadcast[] {
  const found: EndedBroadcast[] = []
  let state = noBroadcast
  for (const input of inputs) {
    const { state: next, ended } = foldBroadcast(state, input)
    if (ended) found.push(ended)
    state = next
  }
  const last = overBy(state, nowMs)
  return last ? [...found, last] : found
}

describe('broadcasts', () => {
  it('are parted by four hours without anything, where nobody says when', () => {
    expect(all([event(0), event(3 * hour), event(8 * hour), event(8 * hour + 1)])).toEqual([
      { beganMs: 0, lastMs: 3 * hour, endedMs: 3 * hour, begunBy: 'events', endedBy: 'gap' },
      { beganMs: 8 * hour, lastMs: 8 * hour + 1, endedMs: 8 * hour + 1, begunBy: 'events', endedBy: 'gap' },
    ])
  })
  it('begin with what came shortly before somebody said so, and end where somebody says', () => {
    expect(
      all([event(0), begin(10 * minute, 'studio'), event(hour), end(2 * hour, 'studio'), event(2.5 * hour)]),
    ).toEqual([{ beganMs: 0, lastMs: 2 * hour, endedMs: 2 * hour, begunBy: 'studio', endedBy: 'studio' }])
  })
  it('leave what trickles in over the day to itself: the evening begins when it is said to', () => {
    expect(all([event(0), event(3 * hour), event(6 * hour), begin(8 * hour), event(9 * hour), end(10 * hour)])).toEqual(
      [
        { beganMs: 0, lastMs: 6 * hour, endedMs: 6 * hour, begunBy: 'events', endedBy: 'gap' },
        { beganMs: 8 * hour, lastMs: 10 * hour, endedMs: 10 * hour, begunBy: 'hand', endedBy: 'hand' },
      ],
    )
  })
  it('that nobody ended are over four hours after the last thing; said twice it is said once', () => {
    expect(all([begin(0), begin(minute), event(hour)])).toEqual([
      { beganMs: 0, lastMs: hour, endedMs: hour, begunBy: 'hand', endedBy: 'gap' },
    ])
    expect(all([begin(0), event(hour)], 2 * hour)).toEqual([])
    expect(all([end(0), end(1)])).toEqual([])
  })
  it('never overlap, each contains what it says, and none is silent for four hours', () => {
    const inputs = fc
      .array(
        fc.record({
          afterMs: fc.oneof(fc.integer({ min: 0, max: hour }), fc.integer({ min: 0, max: 9 * hour })),
          is: fc.constantFrom('event' as const, 'event' as const, 'event' as const, 'begin' as const, 'end' as const),
          by: fc.constantFrom('hand' as const, 'studio' as const),
        }),
        { maxLength: 40 },
      )
      .map((steps) => {
        let atMs = 0
        return steps.map(({ afterMs, is, by }): BroadcastInput => {
          atMs += afterMs
          return is === 'event' ? event(atMs) : { is, by, atMs }
        })
      })
    fc.assert(
      fc.property(inputs, (given) => {
        const found = all(given)
        found.forEach((each, at) => {
          expect(each.endedMs).toBeGreaterThanOrEqual(each.beganMs)
          expect(each.beganMs).toBeGreaterThanOrEqual(found[at - 1]?.endedMs ?? -Infinity)
          const within = given.map(({ atMs }) => atMs).filter((atMs) => atMs >= each.beganMs && atMs <= each.endedMs)
          within.forEach((atMs, n) => expect(atMs - (within[n - 1] ?? each.beganMs)).toBeLessThan(gapMs))
        })
        // What happens is part of one, but for what trickles in behind an end.
        for (const { is, atMs } of given)
          if (is === 'event' && !found.some(({ beganMs, endedMs }) => atMs >= beganMs && atMs <= endedMs))
            expect(given.some((each) => each.is === 'end' && each.atMs <= atMs && atMs - each.atMs < gapMs)).toBe(true)
      }),
    )
  })
})
