import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coloursOf } from './coloursOf.ts'
import { contrast, over } from './contrast.ts'
import { dominantColour } from './dominantColour.ts'
import { hexOfRgb, hueDistance, oklchOf, rgbOfHex } from './oklch.ts'
import { applyTint, colourDistance, combineTints, filterOfTint, hasNoHue, noTint, tintTowards } from './tint.ts'
import { applyWash, washTable, washTowards } from './wash.ts'

const channel = fc.integer({ min: 0, max: 255 })
const pixels = (...list: [hex: string, count: number, alpha?: number][]) =>
  new Uint8ClampedArray(
    list.flatMap(([hex, count, alpha = 255]) =>
      Array.from({ length: count }, () => [...rgbOfHex(hex).map((each) => each * 255), alpha]).flat(),
    ),
  )

describe('OKLCH', () => {
  it('agrees with published values', () => {
    expect(oklchOf(rgbOfHex('#FF0000'))).toMatchObject({
      l: expect.closeTo(0.628, 3),
      c: expect.closeTo(0.2577, 3),
      h: expect.closeTo(29.23, 1),
    })
    expect(oklchOf(rgbOfHex('#FFFFFF')).l).toBeCloseTo(1, 4)
    expect(oklchOf([0.5, 0.5, 0.5]).c).toBeLessThan(1e-4)
  })
  it('writes and reads colours without loss', () => {
    fc.assert(
      fc.property(channel, channel, channel, (r, g, b) => {
        const hex = hexOfRgb([r / 255, g / 255, b / 255])
        expect(hexOfRgb(rgbOfHex(hex))).toBe(hex)
      }),
    )
  })
})

describe('washes', () => {
  const anyRgb = fc.tuple(channel, channel, channel).map(([r, g, b]) => [r / 255, g / 255, b / 255] as const)
  it.each(['#FFFFFF', '#808080', '#000000', '#F3ECDD', '#2B2B2E'])('bring artwork of %s to any colour', (hex) => {
    fc.assert(
      fc.property(anyRgb, (to) => {
        const from = rgbOfHex(hex)
        expect(colourDistance(applyWash(from, washTowards(from, to)), to)).toBeLessThan(0.01)
      }),
      { numRuns: 60 },
    )
  })
  it('keep what is darker darker, black black and white white', () => {
    const wash = washTowards([0.5, 0.5, 0.5], rgbOfHex('#C4503A'))
    for (const index of [0, 1, 2] as const) {
      const table = washTable(wash, index)
      expect([table[0], table.at(-1)]).toEqual([0, 1])
      expect(table.every((value, at) => at === 0 || value >= (table[at - 1] ?? 0))).toBe(true)
    }
  })
  it('go before a tint, and a tint over one keeps it', () => {
    const wash = washTowards([1, 1, 1], rgbOfHex('#C4503A'))
    expect(hexOfRgb(applyTint([1, 1, 1], { ...noTint, wash }))).toBe('#C4503A')
    expect(combineTints({ ...noTint, wash }, { hueDeg: 20, saturation: 1, brightness: 1 }).wash).toEqual(wash)
    expect(filterOfTint({ ...noTint, wash })).toBe('')
  })
})

describe('tints', () => {
  it('leave colours alone where they are neutral, and whites white whatever the turn', () => {
    expect(hexOfRgb(applyTint(rgbOfHex('#C4503A'), noTint))).toBe('#C4503A')
    expect(filterOfTint(noTint)).toBe('')
    expect(hexOfRgb(applyTint([1, 1, 1], { hueDeg: 123, saturation: 2, brightness: 1 }))).toBe('#FFFFFF')
  })
  it('compute what browsers draw', () => {
    // Chromium 150: canvas filter hue-rotate(120deg) saturate(1.5) brightness(0.8) on #C9853F.
    const [red, green, blue] = applyTint(rgbOfHex('#C9853F'), { hueDeg: 120, saturation: 1.5, brightness: 0.8 })
    expect(green).toBeGreaterThan(red)
    expect(red).toBeLessThan(blue + 0.6)
    expect(filterOfTint({ hueDeg: 120, saturation: 1.5, brightness: 0.8 })).toBe(
      'hue-rotate(120deg) saturate(1.5) brightness(0.8)',
    )
  })
  it('combine', () =>
    expect(
      combineTints({ hueDeg: 20, saturation: 2, brightness: 0.5 }, { hueDeg: 30, saturation: 0.5, brightness: 1 }),
    ).toEqual({ hueDeg: 50, saturation: 1, brightness: 0.5 }))

  it.each(['#FFC247', '#5AA4D6', '#4E9B74', '#C4503A', '#8A4FBF', '#F3ECDD'])(
    'bring a crust’s brown to %s',
    (wanted) => {
      const reached = oklchOf(applyTint(rgbOfHex('#C9853F'), tintTowards(rgbOfHex('#C9853F'), rgbOfHex(wanted))))
      const goal = oklchOf(rgbOfHex(wanted))
      if (goal.c > 0.05) expect(hueDistance(reached.h, goal.h)).toBeLessThan(6)
      expect(Math.abs(reached.l - goal.l)).toBeLessThan(0.08)
    },
  )
  it('come near nearly any colour from any that has one: three in four within 2 hundredths of OKLab', () => {
    const vivid = fc
      .tuple(channel, channel, channel)
      .map(([r, g, b]) => [r / 255, g / 255, b / 255] as const)
      .filter((rgb) => oklchOf(rgb).c > 0.08 && oklchOf(rgb).l > 0.3 && oklchOf(rgb).l < 0.85)
    const pairs = fc.sample(fc.tuple(vivid, vivid), { numRuns: 200, seed: 7 })
    const missed = pairs.filter(([from, to]) => colourDistance(applyTint(from, tintTowards(from, to)), to) > 2)
    // The rest hit the ends of sRGB: a dark red cannot be brightened to a pale yellow by these three numbers.
    expect(missed.length).toBeLessThan(pairs.length / 4)
  })
  it('are the best there is: none of many others comes nearer', () => {
    const any = fc.tuple(channel, channel, channel).map(([r, g, b]) => [r / 255, g / 255, b / 255] as const)
    const turned = fc.record({
      hueDeg: fc.integer({ min: 0, max: 359 }),
      saturation: fc.double({ min: 0, max: 3, noNaN: true }),
      brightness: fc.double({ min: 0.05, max: 3, noNaN: true }),
    })
    const others = fc.sample(turned, { numRuns: 400, seed: 3 })
    for (const [from, to] of fc.sample(fc.tuple(any, any), { numRuns: 60, seed: 11 })) {
      const reached = colourDistance(applyTint(from, tintTowards(from, to)), to)
      const nearest = hasNoHue(from)
        ? Infinity
        : Math.min(...others.map((other) => colourDistance(applyTint(from, other), to)))
      expect(reached).toBeLessThan(nearest + 0.5)
    }
  })
  it('keep greys grey', () =>
    expect(tintTowards([0.5, 0.5, 0.5], rgbOfHex('#5AA4D6'))).toMatchObject({ hueDeg: 0, saturation: 1 }))
})

describe('the colour that a picture is remembered by', () => {
  it('is the vivid one, not the most common', () =>
    expect(dominantColour(pixels(['#777777', 900], ['#E0964B', 300], ['#2A6BD0', 40]))).toBe('#E0964B'))
  it('ignores what is transparent', () =>
    expect(dominantColour(pixels(['#2A6BD0', 900, 0], ['#4E9B74', 20]))).toBe('#4E9B74'))
  it('joins hues on both sides of red', () =>
    expect(dominantColour(pixels(['#E03A4B', 200], ['#E0463A', 200], ['#3A8AE0', 300]))).toMatch(/^#E0/))
  it('is a grey for a picture without colour, and nothing for an empty one', () => {
    expect(dominantColour(pixels(['#808080', 100]))).toBe('#808080')
    expect(dominantColour(pixels(['#FF0000', 50, 0]))).toBeNull()
  })
  it('has company: the few colours that cover most', () =>
    expect(coloursOf(pixels(['#102030', 600], ['#F0E0D0', 380], ['#FF00FF', 20]))).toEqual(['#102030', '#F0E0D0']))
})

describe('contrast', () => {
  it('is WCAG’s', () => {
    expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5)
    expect(contrast('#777777', '#FFFFFF')).toBeCloseTo(4.48, 2)
    expect(contrast('#123456', '#123456')).toBe(1)
  })
  it('blends as browsers do', () => expect(hexOfRgb(over([1, 1, 1], [0, 0, 0], 0.5))).toBe('#808080'))
})
