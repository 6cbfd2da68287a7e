import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Composition } from '../../composition/schema.ts'
import {
  starterLine,
  starterMessage,
  starterParticles,
  starterPicture,
  starterShape,
  starterSound,
  starterTicker,
} from '../../composition/starterParts.ts'
import { sampleEvent, type SampleName } from '../../events/sampleEvent.ts'
import type { EventKind } from '../../events/kinds.ts'
import { lanternLook } from '../../look/lanternLook.ts'
import type { MediaFacts } from '../mediaFacts.ts'
import { resolveScore } from '../resolve.ts'
import type { ResolvedPart } from '../resolved.ts'
import { sceneAt } from '../sceneAt.ts'
import type { TextLayout } from '../../text/textLayout.ts'
import { readingMs } from './message/readingMs.ts'
import { kindOfPart } from './partKinds.ts'
import type { Part } from './part.ts'
import { pictureFits } from './picture/schema.ts'
import { pictureRects } from './picture/pictureRects.ts'
import { outlinePath } from './shape/outlinePath.ts'
import { outlines } from './shape/schema.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const movingId = 'd'.repeat(64)
const media: Record<string, MediaFacts> = { [movingId]: { url: '/m', mime: 'image/webp', durationMs: 1600 } }
const score = (
  parts: Part[],
  kind: EventKind = 'tip',
  viewer: SampleName = 'everyday',
  length: Composition['length'] = { rule: 'fixed', ms: 7000 },
) => {
  const result = resolveScore(
    { version: 4, length, parts, silenced: [] },
    { canvas, look: lanternLook, zones: [], event: sampleEvent(kind, viewer), locale: 'en-IE', media },
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const of = <K extends ResolvedPart['kind']>(parts: readonly ResolvedPart[], kind: K) =>
  parts.find((part) => part.kind === kind) as Extract<ResolvedPart, { kind: K }>
const layout = (widthPx: number, sizePx = 60): TextLayout => ({
  lines: [{ pieces: [], widthPx }],
  sizePx,
  widthPx,
  heightPx: sizePx * 1.24,
  isCut: false,
  units: [],
})
const visualAt = (parts: Part[], tMs: number, layouts = new Map<string, TextLayout>()) =>
  sceneAt(score(parts), layouts, tMs).visuals[0]

describe('a picture', () => {
  const picture = (changes: object = {}) => ({ ...starterPicture(canvas, movingId), ...changes })
  it('that moves begins again, or holds its last frame', () => {
    const frameAt = (repeats: 'loop' | 'hold', tMs: number) => {
      const visual = visualAt([picture({ repeats })], tMs)
      return visual?.kind === 'picture' ? visual.frameMs : null
    }
    expect([0, 1599, 1600, 3300].map((tMs) => frameAt('loop', tMs))).toEqual([0, 1599, 0, 100])
    expect([0, 1599, 1600, 3300].map((tMs) => frameAt('hold', tMs))).toEqual([0, 1599, 1599, 1599])
  })

  it('comes in from wholly outside the canvas, wherever it stands, and is cut as it unfolds', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1920 }), fc.integer({ min: 0, max: 1080 }), (xPx, yPx) => {
        const place = { xPx, yPx, origin: 'centre' as const }
        const from = (motion: 'slideLeft' | 'slideRight' | 'slideTop' | 'slideBottom') =>
          visualAt(
            [
              picture({
                place,
                motion: { entrance: { motion, ms: 500, easing: null }, exit: { motion: 'none', ms: 0, easing: null } },
              }),
            ],
            0,
          )?.matrix ?? [0, 0, 0, 0, 0, 0]
        expect(from('slideLeft')[4] + 460).toBeLessThanOrEqual(0)
        expect(from('slideRight')[4]).toBeGreaterThanOrEqual(canvas.widthPx)
        expect(from('slideTop')[5] + 460).toBeLessThanOrEqual(0)
        expect(from('slideBottom')[5]).toBeGreaterThanOrEqual(canvas.heightPx)
      }),
    )
    const unfolding = picture({
      motion: {
        entrance: { motion: 'unfold', ms: 1000, easing: 'linear' },
        exit: { motion: 'none', ms: 0, easing: null },
      },
    })
    expect(visualAt([unfolding], 500)?.cut).toEqual([0.25, 0, 0.25, 0])
    expect(visualAt([unfolding], 1000)?.cut).toBeNull()
  })

  it('is settled with a tint, and keyed colours go on top of it', () => {
    const tinted = picture({
      colour: { mode: 'tint', hueDeg: 30, saturation: 1, brightness: 1 },
      keyframes: [{ property: 'hueDeg', frames: [{ atMs: 0, value: 60, easing: 'linear' }] }],
    })
    expect(visualAt([tinted], 10)).toMatchObject({ tint: { hueDeg: 90 } })
    expect(
      of(score([picture({ colour: { mode: 'recolour', from: '#C9853F', to: { role: 'accent' } } })]).parts, 'picture')
        .tint?.brightness,
    ).toBeGreaterThan(1)
  })

  const side = fc.integer({ min: 1, max: 4000 })
  const part = fc.double({ min: 0, max: 0.45, noNaN: true })
  it('is fitted so that nothing is stretched unless asked, and never drawn outside its box', () => {
    fc.assert(
      fc.property(
        side,
        side,
        side,
        side,
        fc.constantFrom(...pictureFits),
        fc.record({ left: part, top: part, right: part, bottom: part }),
        (fileWidth, fileHeight, boxWidth, boxHeight, fit, crop) => {
          const { from, to } = pictureRects(
            { widthPx: fileWidth, heightPx: fileHeight },
            { widthPx: boxWidth, heightPx: boxHeight },
            fit,
            crop,
          )
          const slack = 1e-6 * (boxWidth + boxHeight)
          expect(to.x).toBeGreaterThanOrEqual(-slack)
          expect(to.x + to.width).toBeLessThanOrEqual(boxWidth + slack)
          expect(to.y + to.height).toBeLessThanOrEqual(boxHeight + slack)
          expect(from.x).toBeGreaterThanOrEqual(fileWidth * crop.left - 1e-6 * fileWidth)
          expect(from.x + from.width).toBeLessThanOrEqual(fileWidth * (1 - crop.right) * (1 + 1e-9) + 1e-6)
          if (fit !== 'stretch') expect(to.width / from.width).toBeCloseTo(to.height / from.height, 6)
          if (fit !== 'contain') expect([to.width, to.height]).toEqual([boxWidth, boxHeight])
        },
      ),
    )
  })
})

describe('a running line', () => {
  const ticker = { ...starterTicker(canvas, '{name}'), pxPerS: 200, gapPx: 40, widthPx: 1000 }
  const runs = (tMs: number, pxPerS = 200) => visualAt([{ ...ticker, pxPerS }], tMs, new Map([['ticker', layout(260)]]))
  it('fills its window at every moment, without a gap wider than set', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 6999 }), fc.integer({ min: -900, max: 900 }), (tMs, pxPerS) => {
        const state = runs(tMs, pxPerS)
        if (state?.kind !== 'ticker') throw new Error('it is one')
        expect(state.periodPx).toBe(300)
        expect(state.shiftPx).toBeLessThanOrEqual(0)
        expect(state.shiftPx).toBeGreaterThan(-300)
        expect(state.shiftPx + state.copies * state.periodPx).toBeGreaterThanOrEqual(1000)
      }),
    )
  })
  it('moves by its speed', () => expect(runs(1000)).toMatchObject({ shiftPx: -200 }))
  it('draws nothing where it has no words', () => {
    const state = visualAt([ticker], 0, new Map([['ticker', { ...layout(0), lines: [] }]]))
    expect(state).toMatchObject({ copies: 0 })
  })
})

describe('text that scrolls', () => {
  const line = {
    ...starterLine(canvas, 'second', 'x'),
    fit: 'scroll' as const,
    motion: {
      entrance: { motion: 'fade' as const, ms: 400, easing: null },
      exit: { motion: 'none' as const, ms: 0, easing: null },
    },
  }
  const scrolled = (tMs: number) => {
    const state = visualAt(
      [line],
      tMs,
      new Map([['second', { ...layout(900), lines: [{ pieces: [], widthPx: 1500 }] }]]),
    )
    return state?.kind === 'line' ? state.scrollPx : null
  }
  it('waits until it can be read, runs to its end and stays there', () => {
    expect([0, 1100].map(scrolled)).toEqual([0, 0])
    expect(scrolled(2100)).toBeCloseTo(144, 5)
    expect(scrolled(6900)).toBe(600)
  })
})

describe('a viewer’s message', () => {
  it('is what was written, with emotes only where they are wanted', () => {
    const pieces = (showsEmotes: boolean) =>
      of(score([{ ...starterMessage(canvas), showsEmotes }]).parts, 'message').pieces
    expect(pieces(true).some((piece) => piece.emoteUrl)).toBe(true)
    expect(pieces(false).map((piece) => piece.text)).toEqual(['o pão de centeio é o melhor da noite loafHug'])
    expect(of(score([starterMessage(canvas)], 'follow').parts, 'message').pieces).toEqual([])
  })

  it('takes longer to read the longer it is, and lengthens the whole within its maximum', () => {
    const message: Part = {
      ...starterMessage(canvas),
      clip: { start: { at: 'score.start', offsetMs: 0 }, end: { length: 'natural', times: 1 } },
    }
    const length = { rule: 'fit' as const, minMs: 3000, maxMs: 15_000 }
    expect(score([message, starterPicture(canvas, null)], 'tip', 'everyday', length).lengthMs).toBeGreaterThan(4000)
    const long = score([message, starterPicture(canvas, null), starterSound(movingId)], 'tip', 'longest', length)
    expect(long.lengthMs).toBe(15_000)
    expect(long.remarks).toContainEqual({ type: 'cutOff', partId: 'message' })
    expect(of(long.parts, 'picture').endMs).toBe(15_000)
    expect(score([message], 'follow', 'everyday', length).lengthMs).toBe(3000)
    expect([readingMs(''), readingMs('x'.repeat(10_000))]).toEqual([0, 60_000])
  })
})

describe('a part’s own length', () => {
  it('is the file’s, the flight’s, or none', () => {
    const context = { media, messageText: '', look: lanternLook }
    expect(kindOfPart(starterPicture(canvas, movingId)).naturalMs(starterPicture(canvas, movingId), context)).toBe(1600)
    expect(kindOfPart(starterPicture(canvas, null)).naturalMs(starterPicture(canvas, null), context)).toBe(0)
    expect(
      kindOfPart(starterParticles(canvas, 'rosette')).naturalMs(starterParticles(canvas, 'rosette'), context),
    ).toBe(1700)
    expect(kindOfPart(starterShape(canvas)).naturalMs(starterShape(canvas), context)).toBeNull()
  })
  it('cut off, a sound fades longer than a click', () => {
    const sound = {
      ...starterSound(movingId),
      clip: { start: { at: 'score.start', offsetMs: 6000 }, end: { length: 'natural' as const, times: 1 } },
    }
    expect(of(score([sound]).parts, 'sound')).toMatchObject({ fadeOutMs: 400, repeats: false })
    const again = {
      ...starterSound(movingId),
      clip: { ...sound.clip, start: { at: 'score.start', offsetMs: 0 }, end: { length: 'natural' as const, times: 3 } },
    }
    expect(of(score([again]).parts, 'sound')).toMatchObject({ endMs: 4800, repeats: true })
  })
  it('hidden, it is settled nowhere', () =>
    expect(score([{ ...starterShape(canvas), isHidden: true }]).parts).toEqual([]))
})

describe.each(outlines)('the form %s', (form) => {
  it('stays within its box', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 0, max: 2000 }),
        (widthPx, heightPx, cornerPx) => {
          const path = outlinePath(form, widthPx, heightPx, cornerPx)
          expect(path).toMatch(/^M.*Z$/)
          expect(path).not.toMatch(/NaN|undefined|Infinity/)
          const points = [...path.matchAll(/[ML]?(-?[\d.]+) (-?[\d.]+)(?=[LZ]|$)/g)].map(
            (point) => [Number(point[1]), Number(point[2])] as const,
          )
          if (form === 'ribbon' && heightPx * 0.35 > widthPx) return
          for (const [x, y] of points) {
            expect(x).toBeLessThanOrEqual(widthPx + 0.01)
            expect(y).toBeLessThanOrEqual(heightPx + 0.01)
          }
        },
      ),
    )
  })
})
