import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contrast } from '../colour/contrast.ts'
import { inkRoles, type Palette } from '../look/schema.ts'
import { choicesFor, cleanTip, lettersOf, tipFaults, type AskedTip } from './checkTip.ts'
import { tipPage, usualTipPage } from './page.ts'
import { pageInks } from './pageInks.ts'

const page = { ...usualTipPage('Lantern Loaf', 'EUR'), isOpen: true }
const channel = { currency: 'EUR', locale: 'en-IE', choices: ['bell'] }
const asked = (fields: Partial<AskedTip> = {}): AskedTip => ({
  ...{ amountMinor: 2500, currency: 'EUR', name: 'Tomé Brandão', message: 'o pão de centeio', choice: null },
  ...fields,
})
const faultsOf = (fields: Partial<AskedTip>) => tipFaults(page, asked(fields), channel).map(({ path }) => path)
const arabicWithEmoji = 'خبز🥐👨‍👩‍👧'

describe('what a tip page takes', () => {
  it('takes what lies between its least and its most, in its own currency', () => {
    expect(faultsOf({})).toEqual([])
    expect(faultsOf({ amountMinor: 200 })).toEqual([])
    for (const amountMinor of [0, -5, 199, 100_001, 1_000_000_000, 2.5, Number.NaN])
      expect(faultsOf({ amountMinor })).toEqual(['amountMinor'])
    expect(faultsOf({ currency: 'USD' })).toEqual(['currency'])
    expect(tipFaults(page, asked({ amountMinor: 0 }), channel)[0]?.message).toBe('The least that is taken is €2.00.')
  })

  it('counts letters as readers do', () => {
    expect(lettersOf(arabicWithEmoji)).toBe(5)
    expect(faultsOf({ message: arabicWithEmoji.repeat(40) })).toEqual([])
    expect(faultsOf({ message: arabicWithEmoji.repeat(400) })).toEqual(['message'])
    expect(tipFaults(page, asked({ message: 'a'.repeat(2000) }), channel)[0]?.message).toBe(
      'A message has at most 200 letters; this one has 2000.',
    )
    expect(faultsOf({ name: 'x'.repeat(51) })).toEqual(['name'])
    expect(tipFaults({ ...page, lettersMost: 0 }, asked(), channel)[0]?.message).toBe('No messages are taken here.')
  })

  it('lets choose what is offered, from its amount on', () => {
    const offered = [{ id: 'bell' }, { id: 'kettle' }]
    expect(choicesFor({ offerFromMinor: 2000 }, 1999, offered)).toEqual([])
    expect(choicesFor({ offerFromMinor: 2000 }, 2000, offered)).toEqual(['bell', 'kettle'])
    expect(faultsOf({ choice: 'bell' })).toEqual([])
    expect(faultsOf({ choice: 'kettle' })).toEqual(['choice'])
  })

  it('keeps words without blanks around them, and names on one line', () => {
    expect(cleanTip(asked({ name: '  Juno\n Flint ', message: ' two\nlines\u0000 ' }))).toMatchObject({
      ...{ name: 'Juno Flint', message: expect.stringMatching(/^two\nlines/) },
    })
  })
})

describe('the document of a tip page', () => {
  it('begins with what a currency calls small change', () => {
    expect(page).toMatchObject({ presets: [300, 500, 2500, 5000], leastMinor: 200 })
    expect(usualTipPage('A', 'JPY').presets).toEqual([300, 500, 2500, 5000])
    expect(usualTipPage('A', 'KWD').presets).toEqual([3000, 5000, 25_000, 50_000])
    for (const currency of ['EUR', 'JPY', 'KWD', 'CLF'])
      expect(tipPage.safeParse(usualTipPage('x'.repeat(90), currency)).success).toBe(true)
  })

  it('says what does not fit', () => {
    const fault = (fields: object) => tipPage.safeParse({ ...page, ...fields }).error?.issues[0]?.message
    expect(fault({ presets: [500, 300] })).toBe('each amount is offered once, the smallest first')
    expect(fault({ presets: [100] })).toBe('what one press gives lies between the least and the most that is taken')
    expect(fault({ mostMinor: 100 })).toBe('the most that is taken is not below the least')
    expect(fault({ title: '  ' })).toBe('the page has a title')
  })
})

describe('the colours of a page', () => {
  it('can be read whatever the look', () => {
    const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`)
    const palettes = fc.tuple(...inkRoles.map(() => hex))
    fc.assert(
      fc.property(palettes, (of) => {
        const palette = Object.fromEntries(inkRoles.map((role, at) => [role, of[at]])) as Palette
        const inks = pageInks(palette)
        for (const { ground, field, ink, faded, accent } of [inks.light, inks.dark]) {
          for (const each of [ink, faded, accent]) expect(contrast(each, ground)).toBeGreaterThanOrEqual(4.5)
          expect(contrast(ink, field)).toBeGreaterThanOrEqual(4.5)
        }
        expect(contrast(inks.onAccent, inks.accent)).toBeGreaterThanOrEqual(4.5)
        // What stands out lies on both grounds and is told from them by its letters, not by its edge alone.
        expect(contrast(inks.light.ground, inks.dark.ground)).toBeGreaterThan(10)
      }),
      { numRuns: 300 },
    )
  })
})
