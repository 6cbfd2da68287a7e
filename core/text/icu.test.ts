import fc from 'fast-check'
import { IntlMessageFormat } from 'intl-messageformat'
import { describe, expect, it } from 'vitest'
import { fillTemplate } from './fillTemplate.ts'
import { parseTemplate } from './template.ts'

const ours = (template: string, values: Parameters<typeof fillTemplate>[1], locale = 'en') =>
  fillTemplate(template, values, locale)
    .map((piece) => piece.text)
    .join('')
const reference = (template: string, values: Record<string, string | number>, locale = 'en') =>
  String(new IntlMessageFormat(template, locale).format(values))

describe('templates agree with a reference library on what both read', () => {
  it.each([
    ['{name} joins', { name: 'Zoë' }],
    ['{months, plural, one {# month} other {# months}}', { months: 1 }],
    ['{months, plural, one {# month} other {# months}}', { months: 12 }],
    ['{months, plural, =12 {a year} one {# month} other {# months}}', { months: 12 }],
    ['{n, plural, offset:1 =0 {nobody} one {you and # other} other {you and # others}}', { n: 3 }],
    ['{place, selectordinal, one {#st} two {#nd} few {#rd} other {#th}} guest', { place: 23 }],
    ['{tier, select, I {first} II {second} other {some}} tier', { tier: 'II' }],
    ['{tier, select, I {first} other {some}} tier', { tier: 'IV' }],
    ["it''s '{'quoted'}' {name}", { name: 'x' }],
    [
      '{who, select, host {{n, plural, one {# loaf} other {# loaves}} for {name}} other {none}}',
      { who: 'host', n: 2, name: 'Tomé' },
    ],
    ['{n, number, percent}', { n: 0.25 }],
    ['{n, number, ::currency/EUR}', { n: 12.5 }],
    ['{n, number, ::compact-short}', { n: 12_345 }],
    ['{n, number, ::.00}', { n: 3 }],
  ])('%s', (template, values) => {
    for (const locale of ['en', 'de', 'pt'])
      expect(ours(template, values, locale)).toBe(reference(template, values, locale))
  })

  it('for plural cases of many languages and numbers', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('en', 'pt', 'pl', 'ar', 'cy', 'ja'),
        fc.integer({ min: 0, max: 5000 }),
        (locale, n) => {
          const template = '{n, plural, zero {z#} one {a#} two {b#} few {c#} many {d#} other {e#}}'
          expect(ours(template, { n }, locale)).toBe(reference(template, { n }, locale))
        },
      ),
    )
  })
})

describe('templates forgive', () => {
  it.each([
    ['{n, plural, one {# loaf}', 'not closed'],
    ['{n, plural, one {# loaf}}', '"other" is missing'],
    ['{n, plural, some {# loaf} other {x}}', '"some" is not one, few, many, other'],
    ['{n, plural, one {a} one {b} other {x}}', 'twice'],
    ['{n, plurl, one {a} other {x}}', '"plurl" is not number'],
    ['{n, number, ::weird}', 'not a way to write numbers'],
    ['{n, plural}', 'comma'],
    ['hello }', 'closes nothing'],
    [`${'{a, select, other {'.repeat(20)}`, 'not closed'],
  ])('%s is shown as typed and reported', (template, reason) => {
    const { problems } = parseTemplate(template)
    expect(problems.map((problem) => problem.reason).join(' · ')).toContain(reason)
    expect(ours(template, { n: 2 })).toContain(template.slice(0, 3))
  })

  it.each([
    '{n, plural, =x {none} other {#}}',
    '{when, date, short}',
    '{n, number, ::scientific}',
    '{n, spellout}',
    "{n, plural, one {it''s '{'#'}'} few}",
  ])('and what they cannot read is not read by halves: %s', (template) =>
    expect(ours(`so ${template} there`, { n: 2, name: 'Zoë' })).toBe(`so ${template} there`),
  )
  it('reads exact numbers below nought', () =>
    expect(ours('{n, plural, =-1 {one less} other {#}}', { n: -1 })).toBe('one less'))
  it.each(['', 'xx_YY!', 'de_DE', 'not a locale', '🥐'])('and locale %j throws nothing', (locale) => {
    const amount = { amountMinor: 1250, currency: 'EUR' }
    expect(ours('{n, plural, one {a} other {#}} {n, number, ::.0} {amount}', { n: 2, amount }, locale)).toContain('12')
  })
  it('and a currency that is none stands behind its number', () =>
    expect(ours('{amount}', { amount: { amountMinor: 1250, currency: 'crumbs' } })).toBe('12.5 crumbs'))

  it('points at the letter', () => {
    expect(parseTemplate('{n, plural, ne {x} other {y}}').problems).toEqual([
      { at: 12, reason: '"ne" is not one, few, many, other or =5' },
    ])
  })

  it('never throw, whatever is typed and whatever is missing', () => {
    fc.assert(
      fc.property(
        fc.string({
          maxLength: 60,
          unit: fc.constantFrom(
            '{',
            '}',
            ',',
            ' ',
            '#',
            "'",
            'n',
            'plural',
            'select',
            'number',
            'other',
            'one',
            '=1',
            'offset:1',
            'é',
          ),
        }),
        (template) => {
          expect(() => ours(template, { n: 3 })).not.toThrow()
          for (const { at } of parseTemplate(template).problems) expect(at).toBeLessThanOrEqual(template.length)
        },
      ),
      { numRuns: 500 },
    )
  })

  it('read half a message in a time that does not explode', () => {
    const startedMs = performance.now()
    parseTemplate('{a, select, other {'.repeat(200) + '{'.repeat(600))
    expect(performance.now() - startedMs).toBeLessThan(2000)
  })
})

describe('values', () => {
  it('stay data: a name that looks like a template is a name', () => {
    expect(ours('{n, plural, other {{name}}}', { n: 1, name: '{n} {secret}', secret: 's' })).toBe('{n} {secret}')
  })

  it('of money are written as the locale writes money, and count in their major unit', () => {
    const amount = { amountMinor: 250_000, currency: 'EUR' }
    expect(ours('{amount}', { amount }, 'en-IE')).toBe('€2,500.00')
    // With the sign of another currency it would be another amount.
    for (const style of ['::currency', '::currency/USD', '::currency/EUR'])
      expect(ours(`{amount, number, ${style}}`, { amount }, 'en-IE')).toBe('€2,500.00')
    expect(ours('{amount, plural, one {euro} other {euros}}', { amount: { amountMinor: 100, currency: 'EUR' } })).toBe(
      'euro',
    )
  })

  it('that are missing leave the other case, and nothing where there is only a value', () => {
    expect(ours('{n, plural, one {one} other {more}}!', {})).toBe('more!')
    expect(ours('a {n, number} b', {})).toBe('a b')
  })
})
