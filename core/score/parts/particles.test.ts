import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterParticles } from '../../composition/starterParts.ts'
import { lanternLook } from '../../look/lanternLook.ts'
import type { PartContext } from '../../settle/partContext.ts'
import { particles } from './particles/schema.ts'
import { particlePresets, presetNames } from './particles/presets.ts'
import { fieldStride, flyingAt, particleField, spriteOf, type Flying } from './particles/particleField.ts'
import { flightMs, resolveParticles, type ResolvedParticles } from './particles/resolveParticles.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const times = { startMs: 0, endMs: 8000, entranceMs: 0, exitMs: 0, isCutOff: false }
const context: PartContext = {
  canvas,
  look: lanternLook,
  zones: [{ id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 100, yPx: 50, widthPx: 400, heightPx: 300 }],
  values: {},
  message: null,
  media: {},
  spoken: {},
  locale: 'en',
  seed: 1,
}
const resolved = (
  changes: Parameters<typeof Object.assign>[1] = {},
  around: Partial<PartContext> = {},
): ResolvedParticles =>
  resolveParticles(Object.assign(starterParticles(canvas, 'scatter'), changes), times, { ...context, ...around })
const flying = (part: ResolvedParticles, ms: number): Flying[] => {
  const list: Flying[] = []
  flyingAt(part, particleField(part), ms, (particle) => list.push({ ...particle }))
  return list
}

describe.each(presetNames)('the preset %s', (name) => {
  it('is valid, flies within its time, and is over afterwards', () => {
    expect(particles.safeParse(starterParticles(canvas, name)).success).toBe(true)
    const part = resolved(particlePresets[name])
    expect(flying(part, flightMs(part) * 0.3).length).toBeGreaterThan(10)
    expect(flying(part, flightMs(part))).toEqual([])
  })
})

describe('particles', () => {
  it('are the same at a moment whatever was asked before', () => {
    const part = resolved()
    const field = particleField(part)
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 1, maxLength: 6 }), (moments) => {
        const at = (ms: number, from: Float64Array) => {
          let sum = 0
          flyingAt(
            part,
            from,
            ms,
            (particle) => (sum += particle.xPx * 3 + particle.yPx * 7 + particle.turnDeg + particle.opacity),
          )
          return sum
        }
        const shared = [...moments]
          .reverse()
          .map((ms) => at(ms, field))
          .reverse()
        expect(shared).toEqual(moments.map((ms) => at(ms, particleField(part))))
      }),
    )
  })

  it('fly as a step by step simulation says they should', () => {
    const part = { ...resolved({ count: 1, overMs: 0 }), dragPerS: 1.7, gravityPxPerS2: 900, windPxPerS: 120 }
    const field = particleField(part)
    let [x, y, vx, vy] = [2, 3, 4, 5].map((at) => field[at] ?? 0) as [number, number, number, number]
    const step = 1 / 20_000
    for (let t = 0; t < 1.2; t += step) {
      vx += -1.7 * (vx - 120) * step
      vy += (900 - 1.7 * vy) * step
      x += vx * step
      y += vy * step
    }
    const [found] = flying({ ...part, lifeMs: { from: 5000, to: 5000 } }, 1200)
    expect(Math.abs((found?.xPx ?? 0) - x)).toBeLessThan(0.5)
    expect(Math.abs((found?.yPx ?? 0) - y)).toBeLessThan(0.5)
  })

  it('are born in order, so that the unborn need not be looked at', () => {
    const field = particleField(resolved({ overMs: 3000 }))
    const born = Array.from({ length: field.length / fieldStride }, (_, index) => field[index * fieldStride] ?? 0)
    expect(born).toEqual([...born].sort((a, b) => a - b))
  })

  it('begin in their area: the canvas, a zone, a box of their own', () => {
    const begin = (changes: object) =>
      flying(
        resolved({ overMs: 0, emitter: 'everywhere', speedPxPerS: { from: 0, to: 0 }, gravityPxPerS2: 0, ...changes }),
        0,
      )
    for (const { xPx, yPx } of begin({ area: { of: 'zone', zoneId: 'cam' } })) {
      expect(xPx).toBeGreaterThanOrEqual(100)
      expect(xPx).toBeLessThanOrEqual(500)
      expect(yPx).toBeGreaterThanOrEqual(50)
      expect(yPx).toBeLessThanOrEqual(350)
    }
    expect(resolved({ area: { of: 'zone', zoneId: 'gone' } }).area).toEqual({
      xPx: 0,
      yPx: 0,
      widthPx: 1920,
      heightPx: 1080,
    })
    expect(
      resolved({ area: { of: 'own' }, widthPx: 200, heightPx: 100, place: { xPx: 960, yPx: 540, origin: 'centre' } })
        .area,
    ).toEqual({ xPx: 860, yPx: 490, widthPx: 200, heightPx: 100 })
  })

  it('are multiplied by strength, within the limit', () => {
    expect(resolved({ count: 100, strength: 2 }).count).toBe(200)
    expect(resolved({ count: 5000, strength: 3 }).count).toBe(5000)
    expect(
      particles.safeParse({ ...starterParticles(canvas, 'scatter'), count: 10_000 }).error?.issues[0]?.path,
    ).toEqual(['count'])
  })

  it('are drawn anew for each event unless a seed is set', () => {
    expect(resolved({}, { seed: 1 }).seed).not.toBe(resolved({}, { seed: 2 }).seed)
    expect(resolved({ seed: 9 }, { seed: 1 }).seed).toBe(resolved({ seed: 9 }, { seed: 2 }).seed)
  })

  it('fly as the emotes of the event, each picture once, and as nothing where there are none', () => {
    const emotes = { sprites: [{ from: 'emotes' }] }
    const spans = [
      { from: 0, to: 1, url: 'a' },
      { from: 2, to: 3, url: 'b' },
      { from: 4, to: 5, url: 'a' },
    ]
    expect(resolved(emotes, { message: { text: 'a b a', emotes: spans } }).sprites).toEqual([
      { emoteUrl: 'a' },
      { emoteUrl: 'b' },
    ])
    expect(resolved(emotes).sprites).toEqual([])
    expect(spriteOf(resolved(), 5)).toBeLessThan(3)
  })
})
