import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contrast } from '../colour/contrast.ts'
import { rgbOfOklch } from '../colour/ofOklch.ts'
import { hexOfRgb, hueDistance, oklchOf, rgbOfHex } from '../colour/oklch.ts'
import { motionNames } from '../motion/schema.ts'
import { calendarDay } from '../time/localMoment.ts'
import { readDesignTokens, toDesignTokens } from './designTokens.ts'
import { lanternLook } from './lanternLook.ts'
import { paletteFrom, paletteFromColours } from './paletteFrom.ts'
import { ownPhase, resolvePhase, resolveShadow } from './resolveStyle.ts'
import { inkRoles, look as lookSchema, type Look } from './schema.ts'
import { hiddenDays, dressOn, season as seasonSchema, seasonOn, yearOf, type Season } from './seasons.ts'

const hex = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0').toUpperCase()}`)
const shadow = fc.record({
  xPx: fc.integer({ min: -20, max: 20 }),
  yPx: fc.constantFrom(0, 6),
  blurPx: fc.constantFrom(0, 8.5),
  ink: fc.oneof(fc.record({ role: fc.constantFrom(...inkRoles) }), fc.record({ own: hex })),
})
const type = fc.record({
  shadow: fc.option(shadow),
  family: fc.constantFrom('Fraunces', 'Syne', 'Anton'),
  weight: fc.integer({ min: 100, max: 900 }),
  sizeRatio: fc.constantFrom(0.5, 1, 1.25),
  trackingEm: fc.constantFrom(0, 0.1, -0.05),
  outlineRatio: fc.constantFrom(0, 1, 2),
})
const phase = fc.record({
  motion: fc.constantFrom(...motionNames),
  ms: fc.integer({ min: 0, max: 9000 }),
  easing: fc.constant(null),
})
const anyLook: fc.Arbitrary<Look> = fc.record({
  name: fc.string({ minLength: 1, maxLength: 30 }),
  palette: fc.record({ headline: hex, body: hex, accent: hex, outline: hex, plate: hex, glow: hex }),
  type: fc.record({ display: type, text: type }),
  motion: fc.record({ enter: phase, words: phase, leave: phase }),
  speedRatio: fc.constantFrom(0.5, 1, 2),
  soundLevel: fc.record({ targetLufs: fc.constantFrom(-20, -16), ceilingDbtp: fc.constantFrom(-3, -1) }),
  soundTrimDb: fc.constantFrom(-6, 0),
  sounds: fc.constant(lanternLook.sounds),
})

describe('a palette from one colour', () => {
  it('can be read, whatever the colour', () => {
    fc.assert(
      fc.property(hex, fc.option(hex, { nil: undefined }), (seed, second) => {
        const palette = paletteFrom(seed, second)
        for (const behind of [palette.plate, palette.outline]) {
          for (const words of [palette.headline, palette.body])
            expect(contrast(words, behind)).toBeGreaterThanOrEqual(7)
          for (const accent of [palette.accent, palette.glow])
            expect(contrast(accent, behind)).toBeGreaterThanOrEqual(4.5)
        }
        expect(lookSchema.safeParse({ ...lanternLook, palette }).success).toBe(true)
      }),
    )
  })
  it('keeps the hue of what it is made from, where that has one', () => {
    fc.assert(
      fc.property(hex, (seed) => {
        const from = oklchOf(rgbOfHex(seed))
        fc.pre(from.c > 0.06)
        const accent = oklchOf(rgbOfHex(paletteFrom(seed).accent))
        // Near white so little chroma is left that its hue is of no consequence.
        if (accent.c > 0.03) expect(hueDistance(accent.h, from.h)).toBeLessThan(6)
      }),
    )
  })
  it('of a picture glows in its other hue', () => {
    const palette = paletteFromColours(['#C4503A', '#B8402F', '#5AA4D6'])
    expect(hueDistance(oklchOf(rgbOfHex(palette?.glow ?? '#000000')).h, oklchOf(rgbOfHex('#5AA4D6')).h)).toBeLessThan(6)
    expect(paletteFromColours([])).toBeNull()
  })
  it('rests on colours that go to OKLCH and back', () => {
    fc.assert(
      fc.property(hex, (each) => {
        expect(hexOfRgb(rgbOfOklch(oklchOf(rgbOfHex(each))))).toBe(each)
      }),
    )
  })
  it('lowers the chroma of what no screen shows, and nothing else', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        (l, c, h) => {
          const shown = rgbOfOklch({ l, c, h })
          expect(Math.max(...shown)).toBeLessThanOrEqual(1.001)
          expect(Math.min(...shown)).toBeGreaterThanOrEqual(-0.001)
          const got = oklchOf(shown)
          expect(got.l).toBeCloseTo(l, 2)
          expect(got.c).toBeLessThanOrEqual(c + 0.002)
        },
      ),
    )
  })
})

describe('a look as design tokens', () => {
  it('comes back as it went, over any other look', () => {
    fc.assert(
      fc.property(anyLook, anyLook, (look, other) => {
        const file = JSON.parse(JSON.stringify(toDesignTokens(look))) as unknown
        const read = readDesignTokens(file, other)
        expect(read).toMatchObject({ ok: true, value: { look, ignored: [] } })
      }),
    )
  })
  it('is read where another tool wrote it: hex, aliases, seconds, only some of it', () => {
    const file = {
      $description: 'made elsewhere',
      base: { warm: { $type: 'color', $value: '#ffaa00' }, loop: { $value: '{base.loop}' } },
      palette: {
        accent: { $value: '{base.warm}' },
        headline: { $value: '{base.loop}' },
        glow: { $value: { colorSpace: 'display-p3', components: [1, 0, 0], hex: '#ff2200' } },
      },
      motion: { leave: { duration: { $type: 'duration', $value: { value: 0.5, unit: 's' } } } },
    }
    const read = readDesignTokens(file, lanternLook)
    expect(read).toMatchObject({
      ok: true,
      value: { taken: 3, ignored: ['base.warm', 'base.loop', 'palette.headline'] },
    })
    expect(read.ok && read.value.look).toEqual({
      ...lanternLook,
      palette: { ...lanternLook.palette, accent: '#FFAA00', glow: '#FF2200' },
      motion: { ...lanternLook.motion, leave: { ...lanternLook.motion.leave, ms: 500 } },
    })
  })
  it.each([
    [null, 'no design token file'],
    [[], 'no design token file'],
    [{ colour: { $value: '#123456' } }, 'Nothing in this file is for a look'],
    [{ type: { display: { weight: { $value: 5000 } } } }, 'type.display.weight'],
    [
      { palette: { accent: { $value: '#FFAA00' } }, $extensions: { thundercrest: { soundTrimDb: 'loud' } } },
      'soundTrimDb',
    ],
  ])('is refused in words: %j', (file, words) => {
    const read = readDesignTokens(file, lanternLook)
    expect(read.ok ? '' : read.error).toContain(words)
  })
})

describe('seasons', () => {
  const made = (id: string, from: string, to: string): Season => ({
    id,
    from,
    to,
    look: { ...lanternLook, name: id },
    swaps: [],
  })
  const day = (iso: string) => calendarDay(Date.parse(iso) / 86_400_000)
  const seasons = [
    made('opening', '2026-12-24', '2026-12-26'),
    made('frost', '12-01', '01-06'),
    made('harvest', '09-15', '12-10'),
  ]
  it.each([
    ['2026-12-25', 'opening'],
    ['2027-12-25', 'frost'],
    ['2027-01-06', 'frost'],
    ['2027-01-07', null],
    ['2026-12-05', 'frost'],
    ['2026-11-30', 'harvest'],
    ['2026-06-01', null],
  ])('on %s: %s', (iso, id) => {
    expect(seasonOn(seasons, day(iso))?.id ?? null).toBe(id)
    expect(dressOn({ look: lanternLook, seasons }, day(iso)).look.name).toBe(id ?? 'Lantern')
  })
  it('say who hides whom, and for how many days', () => {
    expect(hiddenDays(seasons, 2026)).toEqual([
      { id: 'harvest', by: 'frost', days: 10 },
      { id: 'frost', by: 'opening', days: 3 },
    ])
    expect(hiddenDays(seasons.slice(1), 2027)).toEqual([{ id: 'harvest', by: 'frost', days: 10 }])
    expect(hiddenDays(seasons.slice(0, 1), 2026)).toEqual([])
  })
  it('fill a year without a hole, in stretches', () => {
    const year = yearOf(seasons, 2026)
    expect(year.map(({ seasonId }) => seasonId)).toEqual(['frost', null, 'harvest', 'frost', 'opening', 'frost'])
    expect(
      year.every(
        ({ first, last }, index) => first <= last && (index === 0 || first === (year[index - 1]?.last ?? 0) + 1),
      ),
    ).toBe(true)
    expect(year.reduce((sum, { first, last }) => sum + last - first + 1, 0)).toBe(365)
    expect(yearOf([], 2024)).toEqual([
      { seasonId: null, first: Date.UTC(2024, 0, 1) / 86_400_000, last: Date.UTC(2024, 11, 31) / 86_400_000 },
    ])
  })
  it.each([
    ['12-32', '01-06'],
    ['2026-12-24', '2026-12-01'],
    ['12-01', '2026-12-24'],
    ['22:00', '04:00'],
  ])('are refused where no day lies between: %s to %s', (from, to) =>
    expect(seasonSchema.safeParse(made('x', from, to)).success).toBe(false),
  )
})

describe('motion that follows a look', () => {
  const quick = { ...lanternLook, speedRatio: 2 }
  it('is the role’s, or the part’s own, as fast as all of it', () => {
    expect(resolvePhase({ role: 'enter' }, lanternLook)).toEqual(lanternLook.motion.enter)
    expect(resolvePhase({ role: 'enter' }, quick).ms).toBe(450)
    expect(resolvePhase({ motion: 'zoom', ms: 301, easing: null }, quick)).toEqual({
      motion: 'zoom',
      ms: 151,
      easing: null,
    })
    expect(ownPhase({ role: 'leave' }, quick)).toEqual(lanternLook.motion.leave)
  })
})

describe('a shadow that follows a look', () => {
  const own = { xPx: 2, yPx: 3, blurPx: 0, ink: { own: '#102030' } }
  const look = {
    ...lanternLook,
    type: {
      ...lanternLook.type,
      display: { ...lanternLook.type.display, shadow: { ...own, ink: { role: 'glow' as const } } },
    },
  }
  it('is the role’s with the palette’s colour, the part’s own, or none', () => {
    expect(resolveShadow({ role: 'display' }, look)).toEqual({ xPx: 2, yPx: 3, blurPx: 0, ink: look.palette.glow })
    expect(resolveShadow({ role: 'text' }, look)).toBeNull()
    expect(resolveShadow(own, look)?.ink).toBe('#102030')
    expect(resolveShadow(null, look)).toBeNull()
  })
})
