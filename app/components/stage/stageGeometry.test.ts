import { describe, expect, it } from 'vitest'
import {
  starterBackdrop,
  starterLine,
  starterParticles,
  starterPicture,
  starterSound,
  starterTicker,
} from '../../../core/composition/starterParts.ts'
import type { SceneState, VisualState } from '../../../core/score/sceneState.ts'
import { hitTest } from '../../../core/score/hitTest.ts'
import { applyBox, around, drawnBox, isPlaced, restBox } from './stageGeometry.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const base = { widthPx: 200, heightPx: 100, opacity: 1, blurPx: 0, cut: null }
const line: VisualState = {
  ...base,
  kind: 'line',
  partId: 'headline',
  matrix: [1, 0, 0, 1, 300, 400],
  letters: null,
  lit: null,
  scrollPx: 0,
}
const particles: VisualState = {
  ...base,
  kind: 'particles',
  partId: 'gust',
  widthPx: 1920,
  heightPx: 1080,
  matrix: [1, 0, 0, 1, 0, 0],
  intoMs: 0,
}
const scene: SceneState = { visuals: [line, particles], sounds: [] }

describe('what can be moved', () => {
  it('has a place of its own and is not locked', () => {
    expect(isPlaced(starterPicture(canvas, null))).toBe(true)
    expect(isPlaced({ ...starterPicture(canvas, null), isLocked: true })).toBe(false)
    expect(isPlaced(starterBackdrop(canvas, ['headline']))).toBe(false)
    expect(isPlaced(starterBackdrop(canvas, []))).toBe(true)
    expect(isPlaced(starterParticles(canvas, 'gust'))).toBe(false)
    expect(isPlaced({ ...starterParticles(canvas, 'gust'), area: { of: 'own' } })).toBe(true)
    expect(isPlaced(starterSound(null))).toBe(false)
  })
})

describe('boxes on the stage', () => {
  it('are where things were drawn, one around several', () => {
    expect(drawnBox(scene, 'headline')).toEqual({ left: 300, right: 500, top: 400, bottom: 500 })
    expect(drawnBox(scene, 'gone')).toBeNull()
    expect(
      around([
        { left: 0, right: 10, top: 5, bottom: 9 },
        { left: -3, right: 4, top: 6, bottom: 20 },
      ]),
    ).toEqual({ left: -3, right: 10, top: 5, bottom: 20 })
    expect(around([])).toBeNull()
  })
  it('are not hit through particles that fly everywhere', () => {
    expect(hitTest(scene, { xPx: 350, yPx: 450 })).toBe('headline')
    expect(hitTest(scene, { xPx: 1500, yPx: 900 })).toBeNull()
  })
})

describe('pulling handles', () => {
  it('gives pictures their sides', () => {
    const picture = starterPicture(canvas, null)
    const from = restBox(picture, line)
    expect([from.widthPx, from.heightPx]).toEqual([460, 460])
    applyBox(picture, from, { ...from, widthPx: 300, heightPx: 200 }, { x: 1, y: 1 }, 0)
    expect([picture.widthPx, picture.heightPx]).toEqual([300, 200])
  })
  it('gives text its size at a corner and its room at a side, and keeps the smallest size below', () => {
    const text = starterLine(canvas, 'headline', '{name}')
    const from = restBox(text, line)
    applyBox(text, from, { ...from, heightPx: 40, widthPx: 80 }, { x: 1, y: 1 }, 100)
    expect([text.sizePx, text.floorPx]).toEqual([40, 40])
    applyBox(text, from, { ...from, widthPx: 640 }, { x: 1, y: 0 }, 100)
    expect(text.maxWidthPx).toBe(640)
  })
  it('gives a running line its window', () => {
    const ticker = starterTicker(canvas, 'x')
    const from = restBox(ticker, line)
    expect(from.widthPx).toBe(1728)
    applyBox(ticker, from, { ...from, widthPx: 900 }, { x: -1, y: 0 }, 44)
    expect(ticker.widthPx).toBe(900)
  })
})
