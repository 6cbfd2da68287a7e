import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { origins } from '../../composition/place.ts'
import { originRatio } from '../../composition/originRatio.ts'
import { textRoomPx } from '../../text/textRoom.ts'
import { evaluateBackdrop } from './backdrop/evaluateBackdrop.ts'
import type { ResolvedBackdrop } from './backdrop/resolveBackdrop.ts'
import { evaluateSound } from './sound/evaluateSound.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const still = { motion: 'none' as const, ms: 0, easing: null }
const plate: ResolvedBackdrop = {
  kind: 'backdrop',
  id: 'plate',
  startMs: 0,
  endMs: 5000,
  place: { xPx: 960, yPx: 540, origin: 'centre' },
  opacity: 0.5,
  rotationDeg: 0,
  keyframes: [],
  entrance: still,
  exit: still,
  hugs: [],
  widthPx: 600,
  heightPx: 200,
  paddingPx: 20,
  cornerPx: 8,
  ink: '#24140B',
}

describe('a backdrop', () => {
  it('has its own size and place when it hugs nothing', () => {
    expect(evaluateBackdrop(plate, [], 100, canvas)).toMatchObject({
      widthPx: 600,
      heightPx: 200,
      matrix: [1, 0, -0, 1, 660, 440],
    })
  })

  it('is as large as what it hugs, plus padding, wherever those are held', () => {
    const hugged = [
      { place: { xPx: 960, yPx: 500, origin: 'centre' as const }, widthPx: 400, heightPx: 100 },
      { place: { xPx: 800, yPx: 600, origin: 'topLeft' as const }, widthPx: 500, heightPx: 60 },
    ]
    const { widthPx, heightPx, matrix } = evaluateBackdrop(plate, hugged, 100, canvas)
    expect([widthPx, heightPx, matrix[4], matrix[5]]).toEqual([1300 - 760 + 40, 660 - 450 + 40, 740, 430])
  })

  it('does not hug what has no extent: an empty line', () => {
    expect(evaluateBackdrop(plate, [{ place: plate.place, widthPx: 0, heightPx: 0 }], 100, canvas)).toMatchObject({
      widthPx: 600,
    })
  })
})

describe('the room of a line', () => {
  it('is its own maximum in the middle of the canvas, and less near an edge', () => {
    const roomAt = (xPx: number) =>
      textRoomPx({ place: { xPx, yPx: 0, origin: 'centre' }, maxWidthPx: 1600, outlinePx: 0 }, canvas)
    expect(roomAt(960)).toBe(1600)
    expect(roomAt(500)).toBeCloseTo(2 * (500 - 1920 * 0.02))
    expect(roomAt(-100)).toBe(0)
  })

  it('never lets a line leave the canvas, however it is held at a point of it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 80, max: 1840 }),
        fc.constantFrom(...origins),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 20, max: 8000 }),
        (xPx, origin, outlinePx, maxWidthPx) => {
          const roomPx = textRoomPx({ place: { xPx, yPx: 0, origin }, maxWidthPx, outlinePx }, canvas)
          expect(roomPx).toBeGreaterThanOrEqual(0)
          if (roomPx === 0) return
          const left = xPx - originRatio[origin].x * roomPx
          expect(left - outlinePx).toBeGreaterThanOrEqual(0)
          expect(left + roomPx + outlinePx).toBeLessThanOrEqual(canvas.widthPx)
        },
      ),
    )
  })
})

describe('a sound', () => {
  const sound = {
    kind: 'sound' as const,
    id: 's',
    startMs: 300,
    endMs: 900,
    mediaId: 'm',
    gainDb: -6,
    fadeInMs: 0,
    fadeOutMs: 0,
    repeats: false,
  }

  it('is heard from its own beginning when its clip starts', () => {
    expect(evaluateSound(sound, 300).sourceOffsetMs).toBe(0)
    expect(evaluateSound(sound, 450)).toEqual({ partId: 's', mediaId: 'm', sourceOffsetMs: 150, gainDb: -6 })
  })

  it('comes up and goes down over its fades, and is full between', () => {
    const faded = { ...sound, fadeInMs: 100, fadeOutMs: 200 }
    expect(evaluateSound(faded, 350).gainDb).toBeCloseTo(-6 - 6.02, 1)
    expect(evaluateSound(faded, 500).gainDb).toBe(-6)
    expect(evaluateSound(faded, 800).gainDb).toBeCloseTo(-6 - 6.02, 1)
    expect(evaluateSound(faded, 300).gainDb).toBeLessThan(-60)
  })
})
