import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { safeArea, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import { starterLine, starterMessage, starterShape, starterSound, starterTicker } from '../composition/starterParts.ts'
import { placeFor } from './placeFor.ts'
import { withPlace } from './withPlace.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const boxAt = ({ xPx, yPx }: { xPx: number; yPx: number }, widthPx: number, heightPx: number): CanvasBox => ({
  left: xPx - widthPx / 2,
  right: xPx + widthPx / 2,
  top: yPx - heightPx / 2,
  bottom: yPx + heightPx / 2,
})
const line = { widthPx: 700, heightPx: 140 }
const middle = { xPx: 960, yPx: 700 }

describe('a place for something new', () => {
  it('is where it is wanted, where nobody stands', () => {
    expect(placeFor(canvas, line, middle, [], [])).toEqual(middle)
  })

  it('is beside what stands there, in the safe area and clear of zones', () => {
    const headline = boxAt(middle, 800, 150)
    const zones = [
      { id: 'cam', name: 'Oven cam', purpose: 'camera' as const, xPx: 0, yPx: 780, widthPx: 1920, heightPx: 300 },
    ]
    const box = boxAt(placeFor(canvas, line, middle, [headline], zones), line.widthPx, line.heightPx)
    expect(sharedArea(box, headline)).toBe(0)
    expect(box.bottom).toBeLessThanOrEqual(780)
  })

  it('stays in the safe area, and covers nothing where the middle of a free third would do', () => {
    const other = fc
      .record({ left: fc.nat(1800), top: fc.nat(560), width: fc.integer({ min: 20, max: 900 }), height: fc.nat(120) })
      .map(({ left, top, width, height }) => ({ left, top, right: left + width, bottom: Math.min(680, top + height) }))
    fc.assert(
      fc.property(fc.array(other, { maxLength: 6 }), fc.nat(1920), fc.nat(1080), (taken, xPx, yPx) => {
        const box = boxAt(placeFor(canvas, line, { xPx, yPx }, taken, []), line.widthPx, line.heightPx)
        const safe = safeArea(canvas)
        expect(box.left).toBeGreaterThanOrEqual(safe.left - 1)
        expect(box.right).toBeLessThanOrEqual(safe.right + 1)
        expect(box.top).toBeGreaterThanOrEqual(safe.top - 1)
        expect(box.bottom).toBeLessThanOrEqual(safe.bottom + 1)
        // Nothing stands in the lower third.
        expect(taken.reduce((sum, each) => sum + sharedArea(box, each), 0)).toBe(0)
      }),
    )
  })

  it('is the middle for what is larger than the canvas', () => {
    expect(placeFor(canvas, { widthPx: 4000, heightPx: 4000 }, { xPx: 0, yPx: 0 }, [], [])).toEqual({
      xPx: 960,
      yPx: 540,
    })
  })
})

describe('a new part', () => {
  const headline = boxAt({ xPx: 960, yPx: 700 }, 900, 150)
  it('never stands on the words that are there', () => {
    for (const part of [
      { ...starterLine(canvas, 'headline', '{name}'), id: 'line' },
      starterMessage(canvas),
      starterShape(canvas),
    ]) {
      const { place } = withPlace(part, canvas, [headline, boxAt({ xPx: 960, yPx: 400 }, 460, 460)], [])
      const height = 'heightPx' in part ? part.heightPx : part.sizePx * 1.24
      expect(sharedArea(boxAt(place, 300, height), headline), part.name).toBe(0)
    }
  })
  it('stays where it is where it has no place of its own', () => {
    const [ticker, sound] = [starterTicker(canvas, 'x'), starterSound(null)]
    expect(withPlace(ticker, canvas, [headline], [])).toBe(ticker)
    expect(withPlace(sound, canvas, [headline], [])).toBe(sound)
  })
})
