import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { duckAttackMs, duckedDb, duckEnvelope, duckReleaseMs, envelopeAt } from './ducking.ts'

const duck = fc
  .record({
    startMs: fc.integer({ min: 0, max: 20_000 }),
    lastsMs: fc.integer({ min: 1, max: 8000 }),
    duckDb: fc.integer({ min: -40, max: 0 }),
  })
  .map(({ startMs, lastsMs, duckDb }) => ({ startMs, endMs: startMs + lastsMs, duckDb }))
const ducks = fc.array(duck, { maxLength: 8 })

describe('duckEnvelope', () => {
  it('is down by the stated decibels for as long as something speaks, and up again after', () => {
    const envelope = duckEnvelope([{ startMs: 1000, endMs: 3000, duckDb: -14 }])
    expect(
      [0, 1000 - duckAttackMs, 1000, 2999, 3000, 3000 + duckReleaseMs, 9000].map((tMs) =>
        Math.round(duckedDb(envelope, tMs)),
      ),
    ).toEqual([0, 0, -14, -14, -14, 0, 0])
    expect(envelopeAt(envelope, 1000 - duckAttackMs / 2)).toBeCloseTo((1 + 10 ** (-14 / 20)) / 2)
  })
  it('does not come up between two that follow soon', () => {
    const envelope = duckEnvelope([
      { startMs: 0, endMs: 1000, duckDb: -10 },
      { startMs: 1300, endMs: 2000, duckDb: -20 },
    ])
    expect(Math.round(duckedDb(envelope, 1150))).toBe(-20)
  })
  it('nothing ducks for nothing', () => {
    expect(
      duckEnvelope([
        { startMs: 0, endMs: 1000, duckDb: 0 },
        { startMs: 5, endMs: 5, duckDb: -10 },
      ]),
    ).toEqual([])
    expect(duckedDb(undefined, 500)).toBe(0)
  })
  it('whatever speaks, sounds are at least as far down as it asks, never louder than before, and the corners are in order', () => {
    fc.assert(
      fc.property(ducks, fc.integer({ min: -500, max: 30_000 }), (of, tMs) => {
        const envelope = duckEnvelope(of)
        expect(envelope.map(({ atMs }) => atMs)).toEqual(envelope.map(({ atMs }) => atMs).sort((a, b) => a - b))
        expect(envelopeAt(envelope, tMs)).toBeLessThanOrEqual(1)
        for (const { startMs, endMs, duckDb } of of)
          if (tMs >= startMs && tMs < endMs) expect(duckedDb(envelope, tMs)).toBeLessThanOrEqual(duckDb + 1e-9)
      }),
    )
  })
})
