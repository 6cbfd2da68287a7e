import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitLine, type MeasurePieces } from './fitLine.ts'
import { graphemes } from './graphemes.ts'

/** Every letter half as wide as it is high. */
const halfWide: MeasurePieces = (pieces, sizePx) => pieces.reduce((sum, piece) => sum + graphemes(piece.text).length * sizePx * 0.5, 0)
const line = (text: string) => [{ text, isValue: false }]
const shown = (pieces: readonly { text: string }[]) => pieces.map((piece) => piece.text).join('')

describe('fitLine', () => {
  it('leaves alone what fits', () => {
    expect(fitLine({ pieces: line('pip_rye'), sizePx: 100, floorPx: 40, maxWidthPx: 400 }, halfWide)).toEqual({ pieces: line('pip_rye'), sizePx: 100, widthPx: 350, isCut: false })
  })

  it('shrinks before it cuts', () => {
    const fitted = fitLine({ pieces: line('0123456789'), sizePx: 100, floorPx: 40, maxWidthPx: 300 }, halfWide)
    expect(fitted).toMatchObject({ sizePx: 60, isCut: false })
    expect(shown(fitted.pieces)).toBe('0123456789')
  })

  it('cuts at the floor, between letters, with an ellipsis', () => {
    const fitted = fitLine({ pieces: line('👩‍👩‍👧‍👦'.repeat(20)), sizePx: 100, floorPx: 50, maxWidthPx: 100 }, halfWide)
    expect(fitted.isCut).toBe(true)
    expect(shown(fitted.pieces)).toBe(`${'👩‍👩‍👧‍👦'.repeat(3)}…`)
  })

  it('keeps which pieces are values when it cuts', () => {
    const pieces = [{ text: 'from ', isValue: false }, { text: 'abcdefghij', isValue: true }]
    const fitted = fitLine({ pieces, sizePx: 50, floorPx: 50, maxWidthPx: 200 }, halfWide)
    expect(fitted.pieces).toEqual([{ text: 'from ', isValue: false }, { text: 'ab…', isValue: true }])
  })

  it('becomes empty where not even the ellipsis fits', () => {
    expect(fitLine({ pieces: line('abc'), sizePx: 50, floorPx: 50, maxWidthPx: 3 }, halfWide).pieces).toEqual([])
  })

  it('is never wider than allowed, never larger than asked and never under the floor', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: 'grapheme' }), fc.integer({ min: 8, max: 300 }), fc.integer({ min: 8, max: 300 }), fc.integer({ min: 0, max: 3000 }), (text, sizePx, floorPx, maxWidthPx) => {
        const fitted = fitLine({ pieces: line(text), sizePx, floorPx, maxWidthPx }, halfWide)
        expect(fitted.widthPx).toBeLessThanOrEqual(maxWidthPx)
        expect(fitted.sizePx).toBeLessThanOrEqual(sizePx)
        expect(fitted.sizePx).toBeGreaterThanOrEqual(Math.min(sizePx, floorPx))
        if (!fitted.isCut) expect(shown(fitted.pieces)).toBe(text)
      }),
    )
  })

  it('measures few times however long the text is', () => {
    let measured = 0
    fitLine({ pieces: line('x'.repeat(100_000)), sizePx: 100, floorPx: 40, maxWidthPx: 500 }, (pieces, sizePx) => {
      measured += 1
      return halfWide(pieces, sizePx)
    })
    expect(measured).toBeLessThan(25)
  })
})
