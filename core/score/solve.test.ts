import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Clip, Edge, LengthRule } from '../composition/clip.ts'
import { solveScore, type ClipToSolve } from './solve.ts'

const at = (anchor: string, offsetMs = 0): Edge => ({ at: anchor, offsetMs })
const fixed = (start: Edge, ms: number): Clip => ({ start, end: { length: 'fixed', ms } })
const until = (start: Edge, edge: Edge): Clip => ({ start, end: { length: 'until', edge } })
const clip = (id: string, of: Clip, phases: Partial<ClipToSolve> = {}): ClipToSolve => ({
  id,
  clip: of,
  entranceMs: 0,
  exitMs: 0,
  naturalMs: null,
  ...phases,
})
const fit: LengthRule = { rule: 'fit', minMs: 0, maxMs: 60_000 }
const sevenSeconds: LengthRule = { rule: 'fixed', ms: 7000 }

function solved(clips: ClipToSolve[], rule: LengthRule = fit) {
  const result = solveScore(clips, rule)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}

describe('solveScore', () => {
  it('starts text when the picture has entered', () => {
    const { clips } = solved(
      [
        clip('text', until(at('picture.entered', 200), at('score.end'))),
        clip('picture', until(at('score.start'), at('score.end')), { entranceMs: 900 }),
      ],
      sevenSeconds,
    )
    expect(clips.text).toMatchObject({ startMs: 1100, endMs: 7000 })
  })

  it('is as long as the longest part that does not itself wait for the end', () => {
    const { lengthMs, clips } = solved([
      clip('sound', { start: at('score.start', 500), end: { length: 'natural', times: 2 } }, { naturalMs: 1000 }),
      clip('plate', until(at('score.start'), at('score.end'))),
    ])
    expect(lengthMs).toBe(2500)
    expect(clips.plate?.endMs).toBe(2500)
  })

  it('keeps to the minimum and the maximum', () => {
    const part = clip('a', fixed(at('score.start'), 5000))
    expect(solved([part], { rule: 'fit', minMs: 6000, maxMs: 9000 }).lengthMs).toBe(6000)
    const short = solved([part], { rule: 'fit', minMs: 0, maxMs: 3000 })
    expect(short).toMatchObject({ lengthMs: 3000, cut: ['a'] })
    expect(short.clips.a?.endMs).toBe(3000)
  })

  it('shrinks phases in proportion and says so', () => {
    const { clips, shrunk } = solved([clip('a', fixed(at('score.start'), 900), { entranceMs: 800, exitMs: 400 })])
    expect(clips.a).toMatchObject({ entranceMs: 600, exitMs: 300 })
    expect(shrunk).toEqual(['a'])
  })

  it('hangs on the shrunk entrance where the length is known', () => {
    const { clips } = solved([
      clip('a', fixed(at('score.start'), 900), { entranceMs: 800, exitMs: 400 }),
      clip('b', fixed(at('a.entered'), 100)),
    ])
    expect(clips.b?.startMs).toBe(600)
  })

  it('lets a plate stay until its text has gone while the text waits for the plate', () => {
    const { clips } = solved([
      clip('plate', until(at('score.start'), at('text.end', 100)), { entranceMs: 300 }),
      clip('text', fixed(at('plate.entered'), 2000)),
    ])
    expect(clips.plate).toMatchObject({ startMs: 0, endMs: 2400 })
  })

  it('never starts before the score does', () => {
    expect(solved([clip('a', fixed(at('score.start', -500), 1000))]).clips.a).toMatchObject({ startMs: 0, endMs: 1000 })
  })

  it('refuses a cycle and names its members', () => {
    const result = solveScore(
      [
        clip('a', fixed(at('b.end'), 1)),
        clip('b', fixed(at('c.start'), 1)),
        clip('c', fixed(at('a.end'), 1)),
        clip('free', fixed(at('a.start'), 1)),
      ],
      fit,
    )
    expect(result.ok).toBe(false)
    if (!result.ok && result.error.type === 'cycle') expect([...result.error.partIds].sort()).toEqual(['a', 'b', 'c'])
    else expect.fail('a cycle was expected')
  })

  it('refuses a part that hangs on itself', () => {
    expect(solveScore([clip('a', until(at('a.end'), at('score.end')))], fit)).toEqual({
      ok: false,
      error: { type: 'cycle', partIds: ['a'] },
    })
  })

  it('refuses anchors to nowhere and lengths that media do not have', () => {
    expect(solveScore([clip('a', fixed(at('gone.start'), 1))], fit)).toEqual({
      ok: false,
      error: { type: 'missingPart', partId: 'a', wanted: 'gone' },
    })
    expect(solveScore([clip('a', { start: at('score.start'), end: { length: 'natural', times: 1 } })], fit)).toEqual({
      ok: false,
      error: { type: 'noNaturalLength', partId: 'a' },
    })
  })

  const points = fc.constantFrom('start', 'entered', 'leaving', 'end')
  /** Parts that only hang on earlier ones, or on the score: never a cycle. */
  const acyclic = fc.integer({ min: 1, max: 25 }).chain((count) =>
    fc.tuple(
      ...Array.from({ length: count }, (_, index) => {
        const anchor = fc
          .tuple(fc.integer({ min: -1, max: index - 1 }), points, fc.integer({ min: -500, max: 2000 }))
          .map(([on, point, offsetMs]) => at(on < 0 ? 'score.start' : `p${on}.${point}`, offsetMs))
        const end = fc.oneof(
          fc.integer({ min: 1, max: 4000 }).map((ms) => ({ length: 'fixed' as const, ms })),
          anchor.map((edge) => ({ length: 'until' as const, edge })),
          fc.constant({ length: 'until' as const, edge: at('score.end') }),
        )
        return fc
          .record({
            start: anchor,
            end,
            entranceMs: fc.integer({ min: 0, max: 900 }),
            exitMs: fc.integer({ min: 0, max: 900 }),
          })
          .map(({ start, end: last, ...phases }) => clip(`p${index}`, { start, end: last }, phases))
      }),
    ),
  )

  it('gives the same times in any order of declaration', () => {
    fc.assert(
      fc.property(acyclic, fc.func(fc.integer()), (clips, order) => {
        const shuffled = [...clips].sort((a, b) => order(a.id) - order(b.id))
        expect(solved(shuffled).clips).toEqual(solved(clips).clips)
      }),
    )
  })

  it('never gives a part negative time, or more than the score has', () => {
    fc.assert(
      fc.property(acyclic, (clips) => {
        const { clips: times, lengthMs } = solved(clips)
        for (const { startMs, endMs, entranceMs, exitMs } of Object.values(times)) {
          expect(startMs).toBeGreaterThanOrEqual(0)
          expect(endMs).toBeGreaterThanOrEqual(startMs)
          expect(endMs).toBeLessThanOrEqual(lengthMs)
          expect(entranceMs + exitMs).toBeLessThanOrEqual(Math.max(endMs - startMs, 0))
        }
      }),
    )
  })

  it('always finds a cycle, wherever it is tied in', () => {
    fc.assert(
      fc.property(acyclic, fc.nat(), (clips, pick) => {
        const from = clips[pick % clips.length]
        if (!from) return
        const tied = [
          ...clips.map((each) => (each === from ? clip(each.id, fixed(at('knot.end'), 10)) : each)),
          clip('knot', fixed(at(`${from.id}.end`), 10)),
        ]
        const result = solveScore(tied, fit)
        expect(!result.ok && result.error.type === 'cycle' && result.error.partIds).toEqual(
          expect.arrayContaining(['knot', from.id]),
        )
      }),
    )
  })

  it('solves a ladder in which every end has two ways down without walking them all', () => {
    const ladder = Array.from({ length: 100 }, (_, index) =>
      clip(
        `p${index}`,
        index === 0 ? fixed(at('score.start'), 10) : until(at(`p${index - 1}.end`), at(`p${index - 1}.end`, 1)),
      ),
    )
    expect(solved(ladder).lengthMs).toBe(10 + 99)
  })
})
