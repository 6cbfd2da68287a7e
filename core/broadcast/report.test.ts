import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { outcomes } from '../response/outcome.ts'
import { ReportMaker, slotOf, type ReportEvent } from './report.ts'

const hour = 3_600_000
const event = (over: Partial<ReportEvent>): ReportEvent => ({
  ...{ eventId: 'e', kind: 'follow', atMs: 0, viewer: { key: 'a/1', name: 'pip_rye' }, minor: null, gifts: 0 },
  ...{ words: '', detail: '', plays: [] },
  ...over,
})
const reportOf = (events: readonly ReportEvent[], lengthMs: number) => {
  const maker = new ReportMaker(0, lengthMs)
  for (const each of events) maker.add(each)
  return maker.done()
}

describe('the report of a broadcast', () => {
  it('says what came, what was given and by whom, and what to thank for', () => {
    const report = reportOf(
      [
        event({ atMs: 10 }),
        event({ atMs: 20, kind: 'tip', minor: 500, words: 'for the oven', eventId: 't', detail: '€5.00' }),
        event({ atMs: 7 * hour, kind: 'giftBatch', viewer: { key: 'b/2', name: 'Zoë' }, gifts: 50 }),
        event({ atMs: 9 * hour, kind: 'tip', minor: 2_500, viewer: { key: 'b/2', name: 'Zoë' } }),
        event({ atMs: 9 * hour, kind: 'tip', minor: 100, viewer: null }),
      ],
      9.5 * hour,
    )
    expect(report).toMatchObject({ count: 5, slotMs: hour, minor: 3_100, gifts: 50 })
    expect(report.kinds.map(({ kind, count }) => [kind, count])).toEqual([
      ['tip', 3],
      ['follow', 1],
      ['giftBatch', 1],
    ])
    expect(report.kinds[0]?.perSlot).toEqual([1, 0, 0, 0, 0, 0, 0, 0, 0, 2])
    expect(report.givers).toEqual([
      { key: 'b/2', name: 'Zoë', minor: 2_500, gifts: 50 },
      { key: 'a/1', name: 'pip_rye', minor: 500, gifts: 0 },
    ])
    expect(report.gifters).toEqual([{ key: 'b/2', name: 'Zoë', minor: 2_500, gifts: 50 }])
    expect(report.thanks).toMatchObject([{ eventId: 't', name: 'pip_rye', detail: '€5.00', words: 'for the oven' }])
  })
  it('says how long things waited, and how much of the time was theirs', () => {
    const play = { boxId: 'box', outcome: 'played' as const }
    const quarter = hour / 4
    const report = reportOf(
      [
        event({ plays: [{ ...play, enqueuedMs: 0, startedMs: 1_000, endedMs: 7_000 }] }),
        event({ plays: [{ ...play, enqueuedMs: 0, startedMs: quarter - 2_000, endedMs: quarter + 4_000 }] }),
        event({ plays: [{ ...play, enqueuedMs: 0, startedMs: null, endedMs: 9_000, outcome: 'expired' }] }),
        event({ plays: [{ ...play, enqueuedMs: 0, startedMs: 5, endedMs: 9_000, outcome: 'merged' }] }),
      ],
      4 * hour,
    )
    expect(report.waits).toEqual([
      { kind: 'follow', count: 2, p50Ms: 1_000, p95Ms: quarter - 2_000, worstMs: quarter - 2_000 },
    ])
    expect(report.outcomes).toEqual([
      { outcome: 'played', count: 2 },
      { outcome: 'merged', count: 1 },
      { outcome: 'expired', count: 1 },
    ])
    expect(report.boxes).toMatchObject([{ boxId: 'box', shownMs: 12_000 }])
    expect(report.boxes[0]?.shareOfSlot.slice(0, 3)).toEqual([8_000 / quarter, 4_000 / quarter, 0])
  })
  it('adds up, whatever happened', () => {
    const lengths = fc.integer({ min: 1, max: 30 * hour })
    const events = (lengthMs: number) =>
      fc.array(
        fc
          .record({
            kind: fc.constantFrom('follow' as const, 'tip' as const, 'giftBatch' as const),
            atMs: fc.integer({ min: 0, max: lengthMs }),
            minor: fc.option(fc.nat(10_000)),
            gifts: fc.nat(5),
            waitMs: fc.nat(600_000),
            lasts: fc.nat(20_000),
            outcome: fc.constantFrom(...outcomes),
          })
          .map(({ waitMs, lasts, outcome, ...of }) =>
            event({
              ...of,
              plays: [
                {
                  boxId: 'box',
                  outcome,
                  enqueuedMs: of.atMs,
                  startedMs: of.atMs + waitMs,
                  endedMs: of.atMs + waitMs + lasts,
                },
              ],
            }),
          ),
        { maxLength: 30 },
      )
    fc.assert(
      fc.property(
        lengths.chain((lengthMs) => fc.tuple(fc.constant(lengthMs), events(lengthMs))),
        ([lengthMs, given]) => {
          const report = reportOf(given, lengthMs)
          expect(report.kinds.reduce((total, { count }) => total + count, 0)).toBe(given.length)
          expect(report.outcomes.reduce((total, { count }) => total + count, 0)).toBe(given.length)
          expect(report.minor).toBe(given.reduce((total, { minor }) => total + (minor ?? 0), 0))
          const slots = Math.ceil(lengthMs / slotOf(lengthMs))
          for (const { perSlot } of report.kinds) expect(perSlot).toHaveLength(slots)
          for (const { p50Ms, p95Ms, worstMs } of report.waits) {
            expect(p50Ms).toBeLessThanOrEqual(p95Ms)
            expect(p95Ms).toBeLessThanOrEqual(worstMs)
          }
          const shownMs = given.reduce((total, { plays: [play] }) => {
            if (!play || play.outcome === 'merged' || play.startedMs === null) return total
            return total + Math.max(0, Math.min(play.endedMs ?? 0, lengthMs) - play.startedMs)
          }, 0)
          expect(report.boxes.reduce((total, each) => total + each.shownMs, 0)).toBe(shownMs)
        },
      ),
    )
  })
})
