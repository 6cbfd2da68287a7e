import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { removeKeyframe, setKeyframe } from '../edit/setKeyframe.ts'
import { starterPicture } from '../composition/starterParts.ts'
import { easingOf } from './easing.ts'
import { easingNames } from './easingSpec.ts'
import { keyframeTracks, maxFramesPerTrack, type Keyframe } from './keyframes.ts'
import { keyedTintAt, motionAt } from './motionAt.ts'
import { trackValueAt } from './trackValueAt.ts'

const frame = (atMs: number, value: number, easing: Keyframe['easing'] = 'linear'): Keyframe => ({
  atMs,
  value,
  easing,
})
const still = { motion: 'none' as const, ms: 0, easing: null }

describe('a track of keyframes', () => {
  const frames = [frame(100, 0), frame(200, 10), frame(400, -10)]
  it('holds before its first frame and after its last, and goes between', () => {
    expect([0, 100, 150, 200, 300, 400, 9000].map((ms) => trackValueAt(frames, ms))).toEqual([0, 0, 5, 10, 0, -10, -10])
  })

  it('is exactly at each frame at its moment, whatever the easing', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 60_000 }), { minLength: 1, maxLength: 30 }),
        fc.constantFrom(...easingNames),
        (moments, easing) => {
          const track = moments.sort((a, b) => a - b).map((atMs, index) => frame(atMs, index * 7, easing))
          track.forEach((each) => expect(trackValueAt(track, each.atMs)).toBeCloseTo(each.value, 9))
        },
      ),
    )
  })

  it('is refused out of order, twice at one moment, twice for one property, and beyond its limit, with the path', () => {
    const pathsOf = (tracks: unknown) =>
      keyframeTracks.safeParse(tracks).error?.issues.map((issue) => issue.path.join('.'))
    expect(pathsOf([{ property: 'scale', frames: [frame(5, 1), frame(5, 2)] }])).toEqual(['0.frames'])
    expect(
      pathsOf([
        { property: 'scale', frames: [frame(0, 1)] },
        { property: 'scale', frames: [frame(9, 1)] },
      ]),
    ).toEqual([''])
    const tooMany = keyframeTracks.safeParse([
      { property: 'opacity', frames: Array.from({ length: 10_000 }, (_, index) => frame(index, 1)) },
    ])
    expect(tooMany.error?.issues[0]?.message).toContain(String(maxFramesPerTrack))
  })
})

describe('easings by name and number', () => {
  it.each([
    ...easingNames,
    { bezier: [0.2, 0, 0.4, 1] as [number, number, number, number] },
    { levels: [0, 0.7, 0.4, 1] },
    { damping: 0.4 },
    { steps: 5 },
  ])('%j goes from 0 to 1', (spec) => {
    expect(easingOf(spec)(0)).toBeCloseTo(0, 9)
    expect(easingOf(spec)(1)).toBeCloseTo(1, 9)
  })
  it('are made once', () => expect(easingOf({ damping: 0.3 })).toBe(easingOf({ damping: 0.3 })))
})

describe('motion with keyframes', () => {
  const clip = { startMs: 1000, endMs: 5000, entrance: { motion: 'fade' as const, ms: 500, easing: null }, exit: still }
  it('adds to the phase: offsets add, scale and opacity multiply', () => {
    const moved = {
      ...clip,
      keyframes: [
        { property: 'offsetX' as const, frames: [frame(0, 0), frame(1000, 200)] },
        { property: 'opacity' as const, frames: [frame(0, 0.5)] },
      ],
    }
    expect(motionAt(moved, 1250)).toMatchObject({ offsetX: 50, opacity: 0.25 })
    expect(motionAt(moved, 3000)).toMatchObject({ offsetX: 200, opacity: 0.5, scale: 1 })
  })
  it('tints only where colour is keyed', () => {
    expect(keyedTintAt({ ...clip, keyframes: [] }, 2000)).toBeNull()
    expect(
      keyedTintAt({ ...clip, keyframes: [{ property: 'hueDeg', frames: [frame(0, 0), frame(2000, 90)] }] }, 2000),
    ).toEqual({ hueDeg: 45, saturation: 1, brightness: 1 })
  })
})

describe('setting keyframes', () => {
  it('keeps them in order, replaces the one at the playhead, and drops empty tracks', () => {
    const part = starterPicture({ widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }, null)
    setKeyframe(part, 'scale', 900, 2)
    setKeyframe(part, 'scale', 100, 1)
    setKeyframe(part, 'scale', 903, 3)
    expect(part.keyframes).toMatchObject([
      {
        property: 'scale',
        frames: [
          { atMs: 100, value: 1 },
          { atMs: 900, value: 3 },
        ],
      },
    ])
    removeKeyframe(part, 'scale', 100)
    removeKeyframe(part, 'scale', 900)
    expect(part.keyframes).toEqual([])
  })
})
