import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LineWatch, type StandingLine } from './lineWatch.ts'

const line = (fields: Partial<StandingLine> = {}): StandingLine => ({ id: 'a', atMs: 1000, untilMs: 21_000, ...fields })

/** Looks every so often. @returns what was said to have been seen, and when */
function looked(
  lines: readonly StandingLine[],
  { fromMs = 1000, untilMs = 30_000, everyMs = 500, isVisible = (atMs: number) => atMs >= 0 } = {},
): string[] {
  const watch = new LineWatch()
  const said: string[] = []
  for (let atMs = fromMs; atMs <= untilMs; atMs += everyMs)
    for (const id of watch.look(lines, atMs, isVisible(atMs))) said.push(`${id} at ${atMs}`)
  return said
}

describe('watching a line', () => {
  it('says once that the whole of it was shown, when its time is over', () => {
    expect(looked([line()])).toEqual(['a at 21000'])
    expect(looked([line(), line({ id: 'b', untilMs: 9000 })])).toEqual(['b at 9000', 'a at 21000'])
  })

  it('says nothing where it came late, was hidden for a moment, or was not drawn', () => {
    expect(looked([line()], { fromMs: 5000 })).toEqual([])
    expect(looked([line()], { isVisible: (atMs) => atMs !== 12_000 })).toEqual([])
    expect(looked([line()], { everyMs: 4000 })).toEqual([])
    expect(looked([line()], { untilMs: 20_000 })).toEqual([])
  })

  it('never says more than there are lines, however it looks', () => {
    const steps = fc.array(fc.tuple(fc.integer({ min: 0, max: 4000 }), fc.boolean(), fc.subarray(['a', 'b', 'c'])), {
      maxLength: 60,
    })
    fc.assert(
      fc.property(steps, (of) => {
        const watch = new LineWatch()
        const said: string[] = []
        let nowMs = 0
        let wasHidden = false
        for (const [later, isVisible, ids] of of) {
          nowMs += later
          wasHidden ||= !isVisible
          const there = ids.map((id) => line({ id, atMs: 0, untilMs: 6000 }))
          said.push(...watch.look(there, nowMs, isVisible))
        }
        expect(new Set(said).size).toBe(said.length)
        // One that was hidden from the first look on was seen by nobody.
        if (of[0]?.[1] === false && of[0][2].length === 3)
          expect(said.filter((id) => of.every(([, , ids]) => ids.includes(id)))).toEqual([])
      }),
    )
  })
})
