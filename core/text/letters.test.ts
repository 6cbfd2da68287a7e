import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { letterMotionNames, letterOrders, type LetterMotion } from '../motion/letters.ts'
import { arrivedAfterMs, lettersAt } from '../motion/lettersAt.ts'
import { graphemes } from './graphemes.ts'
import { fillTemplate } from './fillTemplate.ts'
import { messagePieces, withEmotes } from './messagePieces.ts'
import { cutUnits, maxUnits } from './units.ts'

const lineOf = (...texts: string[]) => ({ pieces: texts.map((text) => ({ text, isValue: false })), widthPx: 0 })
const cut = (texts: string[], unit: LetterMotion['unit'] = 'letter') =>
  cutUnits([lineOf(...texts)], unit).map((each) =>
    each.piece === null ? 'line' : texts[each.piece]?.slice(each.from, each.to),
  )

describe('cutting text into what moves', () => {
  it('keeps emoji with their joiners and bases with their marks whole', () => {
    expect(cut(['Zo\u00eb e\u0301 👩‍👩‍👧‍👦🏳️‍🌈'])).toEqual(['Z', 'o', 'ë', 'e\u0301', '👩‍👩‍👧‍👦', '🏳️‍🌈'])
  })

  it('moves joined scripts by words: their letters are one stroke', () => {
    expect(cut(['نورا خبز'])).toEqual(['نورا', 'خبز'])
  })

  it('cuts words and lines when asked', () => {
    expect(cut(['two words', ' more'], 'word')).toEqual(['two', 'words', 'more'])
    expect(cut(['two words', ' more'], 'line')).toEqual(['line'])
  })

  it('becomes coarser rather than costly', () => {
    expect(cut(['word '.repeat(30)])).toHaveLength(30)
    expect(cut(['a '.repeat(500)])).toEqual(['line'])
  })

  it('covers every letter once, in order, for any text', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 12, unit: 'grapheme' }), { maxLength: 4 }), (texts) => {
        const units = cutUnits([lineOf(...texts)], 'letter')
        expect(units.length).toBeLessThanOrEqual(Math.max(maxUnits, 1))
        const seen = units
          .filter((unit) => unit.piece !== null)
          .map((unit) => texts[unit.piece ?? 0]?.slice(unit.from, unit.to) ?? '')
        expect(seen.join('')).toBe(
          texts
            .flatMap((text) => graphemes(text))
            .filter((letter) => letter.trim())
            .join(''),
        )
      }),
    )
  })
})

const motion = (name: LetterMotion['motion'], changes: Partial<LetterMotion> = {}): LetterMotion => ({
  motion: name,
  unit: 'letter',
  order: 'start',
  staggerMs: 50,
  ms: 300,
  strength: 1,
  ...changes,
})

describe.each(letterMotionNames)('letters that move: %s', (name) => {
  it('are the same at a moment whatever was asked before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 9000 }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom(...letterOrders),
        (moments, order) => {
          const forwards = moments.map((ms) => lettersAt(motion(name, { order }), ms, 9, 7))
          const backwards = [...moments]
            .reverse()
            .map((ms) => lettersAt(motion(name, { order }), ms, 9, 7))
            .reverse()
          expect(backwards).toEqual(forwards)
        },
      ),
    )
  })

  it('never leave their bounds, and have come when it is said that they have', () => {
    const arrived = arrivedAfterMs(motion(name), 9)
    for (let ms = 0; ms < 4000; ms += 37) {
      for (const letter of lettersAt(motion(name), ms, 9, 7)) {
        expect(letter.opacity).toBeGreaterThanOrEqual(0)
        expect(letter.opacity).toBeLessThanOrEqual(1)
        expect(Math.abs(letter.offsetY)).toBeLessThan(2)
        expect(letter.scale).toBeGreaterThanOrEqual(0)
      }
    }
    if (arrived > 0)
      for (const letter of lettersAt(motion(name), arrived, 9, 7))
        expect(letter).toMatchObject({ opacity: 1, offsetX: 0, offsetY: 0, scale: 1, rotationDeg: 0 })
  })

  it('stand still at no strength', () => {
    for (const letter of lettersAt(motion(name, { strength: 0 }), 5000, 4, 7))
      expect(letter).toMatchObject({ opacity: 1, scale: 1 })
  })
})

describe('the order of letters', () => {
  const visible = (order: LetterMotion['order'], ms: number) =>
    lettersAt(motion('typed', { order }), ms, 5, 7).map((letter) => letter.opacity)
  it('runs from the first, the last or the middle', () => {
    expect(visible('start', 100)).toEqual([1, 1, 1, 0, 0])
    expect(visible('end', 100)).toEqual([0, 0, 1, 1, 1])
    expect(visible('centre', 50)).toEqual([0, 1, 1, 1, 0])
  })
})

describe('a viewer’s message', () => {
  it('shows the emotes of a message in whatever words it stands, and changes nothing else', () => {
    const message = { text: 'ola  loafHug!', emotes: [{ from: 5, to: 12, url: 'u' }] }
    const filled = fillTemplate('{name}: {message} loafHug', { name: 'loafHug', message: message.text })
    expect(withEmotes(filled, message)).toEqual([
      { text: 'loafHug', isValue: true },
      { text: ': ', isValue: false },
      { text: 'ola ', isValue: true },
      { text: 'loafHug', isValue: true, emoteUrl: 'u' },
      { text: '!', isValue: true },
      { text: ' loafHug', isValue: false },
    ])
    expect(withEmotes(filled, null)).toEqual(filled)
    expect(withEmotes(filled, { ...message, emotes: [] })).toEqual(filled)
  })
  it('has its emotes where the platform says', () => {
    expect(messagePieces('ola loafHug!', [{ from: 4, to: 11, url: 'u' }])).toEqual([
      { text: 'ola ', isValue: true },
      { text: 'loafHug', isValue: true, emoteUrl: 'u' },
      { text: '!', isValue: true },
    ])
  })

  it('loses no letter, whatever spans are claimed', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 60, unit: 'grapheme-ascii' }),
        fc.array(
          fc.record({
            from: fc.integer({ min: 0, max: 80 }),
            to: fc.integer({ min: 0, max: 80 }),
            url: fc.constant('u'),
          }),
          { maxLength: 6 },
        ),
        (text, emotes) => {
          expect(
            messagePieces(text, emotes)
              .map((piece) => piece.text)
              .join(''),
          ).toBe(
            messagePieces(text)
              .map((piece) => piece.text)
              .join(''),
          )
        },
      ),
    )
  })
})
