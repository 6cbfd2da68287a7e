import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { MeasurePieces } from './cutToWidth.ts'
import { fitText, type FitRequest } from './fitText.ts'
import { graphemes } from './graphemes.ts'
import { plainText } from './textPiece.ts'

/** Every letter half as wide as it is high. */
const halfWide: MeasurePieces = (pieces, sizePx) =>
  pieces.reduce((sum, piece) => sum + (piece.emoteUrl ? sizePx * 1.25 : graphemes(piece.text).length * sizePx * 0.5), 0)
const words = (text: string) => [{ text, isValue: false }]
const request = (text: string, changes: Partial<FitRequest> = {}): FitRequest => ({
  pieces: words(text),
  fit: 'shrink',
  sizePx: 100,
  floorPx: 40,
  maxWidthPx: 400,
  maxLines: 1,
  ...changes,
})
const shown = (fitted: ReturnType<typeof fitText>) => fitted.lines.map((line) => plainText(line.pieces))

describe('text that shrinks', () => {
  it('is left alone where it fits', () => {
    expect(fitText(request('pip_rye'), halfWide)).toEqual({
      lines: [{ pieces: words('pip_rye'), widthPx: 350 }],
      sizePx: 100,
      widthPx: 350,
      isCut: false,
    })
  })

  it('becomes smaller before it is cut', () => {
    const fitted = fitText(request('0123456789', { maxWidthPx: 300 }), halfWide)
    expect(fitted).toMatchObject({ sizePx: 60, isCut: false })
    expect(shown(fitted)).toEqual(['0123456789'])
  })

  it('is cut at the floor, between letters, with an ellipsis', () => {
    const fitted = fitText(request('👩‍👩‍👧‍👦'.repeat(20), { floorPx: 50, maxWidthPx: 100 }), halfWide)
    expect([fitted.isCut, shown(fitted)]).toEqual([true, [`${'👩‍👩‍👧‍👦'.repeat(3)}…`]])
  })

  it('keeps which pieces are values when it is cut', () => {
    const pieces = [
      { text: 'from ', isValue: false },
      { text: 'abcdefghij', isValue: true },
    ]
    expect(
      fitText({ ...request(''), pieces, sizePx: 50, floorPx: 50, maxWidthPx: 200 }, halfWide).lines[0]?.pieces,
    ).toEqual([
      { text: 'from ', isValue: false },
      { text: 'ab…', isValue: true },
    ])
  })

  it('has no line where not even the ellipsis fits, and none where there are no words', () => {
    expect(fitText(request('abc', { sizePx: 50, floorPx: 50, maxWidthPx: 3 }), halfWide).lines).toEqual([])
    expect(fitText(request(''), halfWide)).toMatchObject({ lines: [], isCut: false, widthPx: 0 })
  })

  it('measures few times however long it is', () => {
    let measured = 0
    fitText(request('x'.repeat(10_000), { maxWidthPx: 500 }), (pieces, sizePx) => {
      measured += 1
      return halfWide(pieces, sizePx)
    })
    expect(measured).toBeLessThan(25)
  })
})

describe('text that wraps', () => {
  const wrapped = (text: string, changes: Partial<FitRequest> = {}) =>
    fitText(request(text, { fit: 'wrap', maxLines: 3, ...changes }), halfWide)

  it('breaks between words into lines of even length, at full size while it can', () => {
    const fitted = wrapped('one two three four', { maxWidthPx: 600 })
    expect([fitted.sizePx, shown(fitted)]).toEqual([100, ['one two', 'three four']])
  })

  it('becomes smaller once the lines are used up', () => {
    const fitted = wrapped('one two three four five six seven', { maxLines: 2, maxWidthPx: 500 })
    expect(fitted.lines).toHaveLength(2)
    expect(fitted.sizePx).toBeLessThan(100)
    expect(shown(fitted).join(' ')).toBe('one two three four five six seven')
  })

  it('cuts the last line at the floor', () => {
    const fitted = wrapped('word '.repeat(60).trim(), { maxLines: 2, maxWidthPx: 300, floorPx: 40 })
    expect([fitted.isCut, fitted.lines.length, fitted.sizePx]).toEqual([true, 2, 40])
    expect(shown(fitted)[1]).toMatch(/…$/)
  })

  it('breaks a word that is wider than a line, and scripts without blanks anywhere', () => {
    expect(wrapped('abcdefghijklmnop', { sizePx: 50, floorPx: 50, maxWidthPx: 220 }).lines.length).toBe(2)
    expect(shown(wrapped('毛毛面包真好吃毛毛', { maxWidthPx: 250 }))).toEqual(['毛毛面包真', '好吃毛毛'])
  })

  it('keeps emotes whole and in their places', () => {
    const pieces = [
      { text: 'good ', isValue: true },
      { text: 'loaf', isValue: true, emoteUrl: 'u' },
      { text: ' bread', isValue: true },
    ]
    const fitted = fitText({ ...request('', { fit: 'wrap', maxLines: 3, maxWidthPx: 400 }), pieces }, halfWide)
    expect(fitted.lines.flatMap((line) => line.pieces).filter((piece) => piece.emoteUrl)).toEqual([
      { text: 'loaf', isValue: true, emoteUrl: 'u' },
    ])
  })
})

describe('text that scrolls', () => {
  it('keeps its size behind a window as wide as the room', () => {
    expect(fitText(request('0123456789', { fit: 'scroll' }), halfWide)).toMatchObject({
      sizePx: 100,
      widthPx: 400,
      isCut: false,
      lines: [{ widthPx: 500 }],
    })
  })
})

describe('whatever is fitted', () => {
  const text = fc.string({
    maxLength: 300,
    unit: fc.oneof(
      fc.constantFrom(' ', '毛', 'نو', '👩‍🍳', 'é'),
      fc.string({ minLength: 1, maxLength: 8, unit: 'grapheme' }),
    ),
  })
  it('is never wider than allowed, never larger than asked, never under the floor, and never in more lines', () => {
    fc.assert(
      fc.property(
        text,
        fc.constantFrom('shrink' as const, 'wrap' as const),
        fc.integer({ min: 8, max: 200 }),
        fc.integer({ min: 8, max: 200 }),
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 1, max: 6 }),
        (letters, fit, sizePx, floorPx, maxWidthPx, maxLines) => {
          const fitted = fitText(request(letters, { fit, sizePx, floorPx, maxWidthPx, maxLines }), halfWide)
          for (const line of fitted.lines) expect(line.widthPx).toBeLessThanOrEqual(maxWidthPx)
          expect(fitted.widthPx).toBeLessThanOrEqual(maxWidthPx)
          expect(fitted.sizePx).toBeLessThanOrEqual(sizePx)
          expect(fitted.sizePx).toBeGreaterThanOrEqual(Math.min(sizePx, floorPx))
          expect(fitted.lines.length).toBeLessThanOrEqual(fit === 'wrap' ? maxLines : 1)
          const squeezed = (value: string) => value.replace(/\s+/g, '')
          if (!fitted.isCut) expect(squeezed(shown(fitted).join(''))).toBe(squeezed(letters))
        },
      ),
    )
  })
})
