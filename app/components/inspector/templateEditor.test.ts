import { describe, expect, it } from 'vitest'
import { timeScale, nearest } from '../score/timeScale.ts'
import { keyLabel } from '../../stores/commands.ts'
import { variablesOf } from '../../../core/events/variables.ts'
import { diagnostics } from './templateEditor.ts'

const known = variablesOf(['subscription'])

describe('what the editor of words marks', () => {
  it('is nothing where all is well', () =>
    expect(diagnostics('{name}: {months, plural, one {# month} other {# months}}', known)).toEqual([]))
  it('is an error at the letter', () => {
    expect(diagnostics('hi {na', known)).toEqual([
      { from: 3, to: 4, severity: 'error', message: 'this brace is not closed; it is shown as typed' },
    ])
  })
  it('is a variable that never comes, at any depth', () => {
    const text = '{months, plural, other {{amount}}}'
    expect(diagnostics(text, known)).toEqual([
      { from: 24, to: 32, severity: 'warning', message: 'this kind of event never carries {amount}; it stays empty' },
    ])
  })
})

describe('amounts', () => {
  it('asked for in another currency are marked: none is ever converted', () => {
    const text = 'tipped {amount, number, ::currency/EUR}, {amount, number, ::currency}'
    expect(diagnostics(text, variablesOf(['tip']))).toEqual([
      {
        from: 7,
        to: 39,
        severity: 'warning',
        message: '{amount} is shown in its own currency and never converted; write ::currency',
      },
    ])
  })
})

describe('the scale of the lanes', () => {
  it('leaves a little room after the end and has a least span', () => {
    expect(timeScale(7000).at(7000)).toBe(`${(7000 / 7210) * 100}%`)
    expect(timeScale(0).spanMs).toBe(515)
  })
  it('catches the nearest moment within reach', () => {
    expect(nearest([0, 900, 1000], 960, 50)).toBe(1000)
    expect(nearest([0, 900, 1000], 940, 50)).toBe(900)
    expect(nearest([0, 900], 500, 50)).toBeNull()
  })
})

describe('keys in words', () => {
  it.each([
    ['$mod+Shift+z', 'Ctrl Shift Z'],
    ['BracketLeft', '['],
    ['Alt+ArrowDown', 'Alt ↓'],
    ['Space', 'Space'],
    ['$mod+Digit0', 'Ctrl 0'],
  ])('%s is %s', (keys, label) => expect(keyLabel(keys)).toBe(label))
})
