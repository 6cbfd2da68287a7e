import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fillTemplate } from './fillTemplate.ts'

const text = (template: string, values: Record<string, string>) =>
  fillTemplate(template, values)
    .map((piece) => piece.text)
    .join('')

describe('fillTemplate', () => {
  it('marks values, so that they can be drawn in the highlight style', () => {
    expect(fillTemplate('{name} left {amount}', { name: 'Zoë', amount: '€3.00' })).toEqual([
      { text: 'Zoë', isValue: true },
      { text: ' left ', isValue: false },
      { text: '€3.00', isValue: true },
    ])
  })

  it('never expands a value again', () => {
    expect(text('{name} joins', { name: '{amount}', amount: 'secret' })).toBe('{amount} joins')
  })

  it('closes up around a variable without a value', () => {
    expect(text('{name} says {message}', { name: 'Zoë' })).toBe('Zoë says')
    expect(text('one {missing} two', {})).toBe('one two')
  })

  it('does not take what objects inherit for a value', () => {
    expect(text('{constructor}{toString}', {})).toBe('')
  })

  it('keeps a value on one line', () => {
    expect(text('{name}', { name: 'two\nlines' })).toBe('two lines')
  })

  it('keeps every value whole and in order', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.string({ minLength: 1 }).filter((value) => value.trim() !== ''),
          { maxLength: 6 },
        ),
        (words) => {
          const values = Object.fromEntries(words.map((word, index) => [`v${index}`, word]))
          const pieces = fillTemplate(words.map((_, index) => `{v${index}}`).join('-'), values)
          expect(pieces.filter((piece) => piece.isValue).map((piece) => piece.text)).toEqual(
            words.map((word) => word.replace(/[^\S\u00A0\u202F]+/g, ' ')),
          )
        },
      ),
    )
  })
})
