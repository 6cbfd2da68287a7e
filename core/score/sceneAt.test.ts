import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterComposition } from '../composition/starter.ts'
import { starterBackdrop } from '../composition/starterParts.ts'
import type { Composition } from '../composition/schema.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { resolveScore, type ResolveContext } from './resolve.ts'
import { restingMs } from './restingMs.ts'
import { sceneAt } from './sceneAt.ts'
import type { TextLayouts } from './shownKinds.ts'
import type { ResolvedScore } from './resolved.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const pictureId = 'a'.repeat(64)
const soundId = 'b'.repeat(64)
const context: ResolveContext = {
  canvas,
  look: lanternLook,
  zones: [],
  event: sampleEvent('follow'),
  locale: 'en-IE',
  media: {
    [pictureId]: { url: '/p', mime: 'image/png', durationMs: null },
    [soundId]: { url: '/s', mime: 'audio/wav', durationMs: 2400 },
  },
}
const composition: Composition = starterComposition(
  canvas,
  { headline: '{name}', second: 'joins the night shift' },
  { pictureId, soundId },
)
composition.parts.unshift(starterBackdrop(canvas, ['headline', 'second'], { at: 'headline.start', offsetMs: -100 }))

function resolved(from: Composition = composition, changes: Partial<ResolveContext> = {}): ResolvedScore {
  const result = resolveScore(from, { ...context, ...changes })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const layouts: TextLayouts = new Map(
  ['headline', 'second'].map((id, index) => [
    id,
    {
      lines: [{ pieces: [{ text: id, isValue: false }], widthPx: 400 + 100 * index }],
      sizePx: 100,
      widthPx: 400 + 100 * index,
      heightPx: 124,
      isCut: false,
      units: [],
    },
  ]),
)
const score = resolved()
const moments = fc.integer({ min: -200, max: score.lengthMs + 200 })

describe('resolveScore', () => {
  it('settles roles, templates and anchors', () => {
    const headline = score.parts.find((part) => part.id === 'headline')
    expect(headline).toMatchObject({
      kind: 'line',
      family: 'Fraunces',
      ink: lanternLook.palette.headline,
      pieces: [{ text: 'pip_rye', isValue: true }],
      startMs: 900,
    })
  })

  it('names the fallback families that the event needs', () => {
    expect(resolved(composition, { event: sampleEvent('follow', 'rightToLeft') }).fallbackFamilies).toEqual([
      'Noto Sans Arabic',
    ])
  })

  it('leaves a muted sound out and adds the look’s own trim to the others', () => {
    const quiet = structuredClone(composition)
    for (const part of quiet.parts) if (part.kind === 'sound') part.isMuted = true
    expect(resolved(quiet).parts.some((part) => part.kind === 'sound')).toBe(false)
    expect(
      resolved(composition, { look: { ...lanternLook, soundTrimDb: -4 } }).parts.find((part) => part.kind === 'sound'),
    ).toMatchObject({ gainDb: -4 })
  })

  it('keeps a part whose file is unknown, without an address', () => {
    const lost = resolved(composition, { media: {} })
    expect(lost.media).toEqual({})
    expect(lost.parts.some((part) => part.kind === 'picture')).toBe(true)
  })

  it('survives as plain JSON', () => {
    expect(JSON.parse(JSON.stringify(score))).toEqual(score)
  })

  it('remarks what had to give way', () => {
    const tight = structuredClone(composition)
    tight.length = { rule: 'fixed', ms: 1000 }
    expect(resolved(tight).remarks.map((remark) => remark.type)).toContain('phasesShrunk')
  })
})

describe('sceneAt', () => {
  it('gives the same state in whatever order moments are asked', () => {
    fc.assert(
      fc.property(fc.array(moments, { minLength: 1, maxLength: 12 }), (asked) => {
        const fresh = asked.map((tMs) => JSON.stringify(sceneAt(structuredClone(score), layouts, tMs)))
        const backwards = [...asked]
          .reverse()
          .map((tMs) => JSON.stringify(sceneAt(score, layouts, tMs)))
          .reverse()
        expect(backwards).toEqual(fresh)
      }),
    )
  })

  it('shows and sounds a part exactly within its clip', () => {
    fc.assert(
      fc.property(moments, (tMs) => {
        const scene = sceneAt(score, layouts, tMs)
        const present = new Set([...scene.visuals, ...scene.sounds].map((each) => each.partId))
        for (const part of score.parts) expect(present.has(part.id)).toBe(tMs >= part.startMs && tMs < part.endMs)
      }),
    )
  })

  it('says from which moment of its file a sound is heard', () => {
    expect(sceneAt(score, layouts, 700).sounds).toEqual([
      { partId: 'sound', mediaId: soundId, sourceOffsetMs: 700, gainDb: 0 },
    ])
  })

  it('keeps drawing order, the backdrop behind the words that it hugs', () => {
    const scene = sceneAt(score, layouts, restingMs(score))
    expect(scene.visuals.map((visual) => visual.partId)).toEqual(['backdrop', 'picture', 'headline', 'second'])
    expect(scene.visuals[0]).toMatchObject({ widthPx: 500 + 2 * 28 })
  })

  it('puts a part on its place by its origin', () => {
    const picture = sceneAt(score, layouts, 3000).visuals.find((visual) => visual.partId === 'picture')
    const [a, b, c, d, e, f] = picture?.matrix ?? [0, 0, 0, 0, 0, 0]
    for (const [index, value] of [a, b, c, d].entries()) expect(value).toBeCloseTo([1, 0, 0, 1][index] ?? 0, 6)
    expect(e + 460 / 2).toBeCloseTo(960, 3)
    expect(f + 460 / 2).toBeCloseTo(1080 * 0.37, 0)
  })

  it('mirrors about the middle', () => {
    const mirrored = structuredClone(composition)
    for (const part of mirrored.parts) if (part.kind === 'picture') part.isMirrored = true
    const [a, , , , e] = sceneAt(resolved(mirrored), layouts, 3000).visuals.find((visual) => visual.kind === 'picture')
      ?.matrix ?? [0, 0, 0, 0, 0]
    expect(a).toBe(-1)
    expect(e - 460 / 2).toBeCloseTo(960, 3)
  })

  it('moves without a jump from frame to frame, the last one included', () => {
    for (const { id, startMs, endMs } of score.parts.filter((part) => part.kind !== 'sound')) {
      for (let tMs = startMs; tMs < endMs - 17; tMs += 16) {
        const now = sceneAt(score, layouts, tMs).visuals.find((visual) => visual.partId === id)
        const next = sceneAt(score, layouts, tMs + 16).visuals.find((visual) => visual.partId === id)
        expect(Math.abs((next?.opacity ?? 0) - (now?.opacity ?? 0))).toBeLessThan(0.2)
        expect(
          Math.hypot((next?.matrix[4] ?? 0) - (now?.matrix[4] ?? 0), (next?.matrix[5] ?? 0) - (now?.matrix[5] ?? 0)),
        ).toBeLessThan(120)
      }
    }
  })
})
