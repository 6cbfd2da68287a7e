import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { framesOf, grid, madeClips, type MadeClip } from '../../test/arrange/madeFlashes.ts'
import { fieldCells, FlashMeter } from './flashMeter.ts'

function found(clip: MadeClip, framesPerSecond?: number) {
  const meter = new FlashMeter(grid)
  for (const [rgba, atMs] of framesOf(clip, framesPerSecond)) meter.add(rgba, atMs)
  return meter.findings()
}

describe('flashes', () => {
  it.each(madeClips.map((clip) => [clip.name, clip] as const))('%s', (_name, clip) => {
    expect(found(clip).map(({ is }) => is)).toEqual(clip.is)
    // Twice as many frames show the same.
    expect(found(clip, 60).map(({ is }) => is)).toEqual(clip.is)
  })

  it('are said with their second, how often, and how much of a field changes', () => {
    const clip = madeClips.find(({ name }) => name.startsWith('one second of flashes'))!
    const [finding] = found(clip)
    expect(finding?.fromMs).toBeGreaterThanOrEqual(1_000)
    expect(finding?.untilMs).toBeLessThanOrEqual(2_100)
    expect(finding?.changes).toBeGreaterThanOrEqual(9)
    expect(finding?.area).toBe(1)
    const third = found(madeClips.find(({ name }) => name.startsWith('a third of one field'))!)
    expect(third[0]?.area).toBeCloseTo(64 / 192, 2)
  })

  it('are found wherever they are on the canvas, and only from a quarter of a field on', () => {
    const { columns, rows } = fieldCells(grid)
    expect([columns, rows]).toEqual([16, 12])
    fc.assert(
      fc.property(fc.nat({ max: 48 - 10 }), fc.nat({ max: 27 - 8 }), fc.boolean(), (x0, y0, isLarge) => {
        const [wide, tall] = isLarge ? [10, 8] : [8, 6]
        const isIn = (x: number, y: number) => x >= x0 && x < x0 + wide && y >= y0 && y < y0 + tall
        const draw: MadeClip['draw'] = (x, y, tS) =>
          isIn(x, y) && Math.floor(tS * 10 + 1e-6) % 2 === 1 ? [255, 255, 255] : [0, 0, 0]
        expect(found({ name: '', is: [], draw }).length).toBe(isLarge ? 1 : 0)
      }),
      { numRuns: 20 },
    )
  })

  it('of a tall canvas are seen in a field that is wider and lower', () => {
    expect(fieldCells({ columns: 27, rows: 48, widthPx: 1080, heightPx: 1920 })).toEqual({ columns: 21, rows: 16 })
    expect(fieldCells({ columns: 4, rows: 4, widthPx: 100, heightPx: 100 })).toEqual({ columns: 2, rows: 1 })
  })

  it('of fewer than seven changes a second are none, of more always some', () => {
    fc.assert(
      fc.property(fc.constantFrom(1, 2, 3, 4, 5, 6, 7.5, 10, 15), fc.nat({ max: 200 }), (hertz, lateMs) => {
        const draw: MadeClip['draw'] = (_x, _y, tS) =>
          Math.floor((tS + lateMs / 1000) * hertz * 2 + 1e-6) % 2 === 0 ? [0, 0, 0] : [255, 255, 255]
        expect(found({ name: '', is: [], draw }).length).toBe(hertz > 3 ? 1 : 0)
      }),
      { numRuns: 30 },
    )
  })
})
