import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { burstsOf } from './bursts.ts'
import { figuresOf } from './figures.ts'
import { loudestOf, type HeardSound } from './nightSounds.ts'
import { nightOf, type Night } from './night.ts'
import type { PlayedNight } from './playNight.ts'
import { viewerWaitsOf } from './viewerWaits.ts'

const nightAt = (moments: readonly number[], viewer = (at: number) => `v${at}`): Night =>
  nightOf(
    moments.map((atMs, at) => ({
      atMs,
      event: {
        ...sampleEvent('follow', 'everyday', atMs),
        ...{ source: 'feed:x', externalId: `e${at}`, data: { viewer: { id: viewer(at), name: viewer(at) } } },
      } as CanonicalEvent,
    })),
  )
const playedAs = (shown: readonly { at: number; fromMs: number; untilMs: number }[]): PlayedNight => ({
  ends: new Map(shown.map(({ at, untilMs }) => [`p${at}`, { outcome: 'played', reason: '', atMs: untilMs }])),
  shown: new Map(
    shown.map(({ at, fromMs, untilMs }) => [
      `p${at}`,
      { playId: `p${at}`, fromMs, untilMs, isShort: false, isBeside: false },
    ]),
  ),
  waiting: [],
  overAtMs: Math.max(0, ...shown.map(({ untilMs }) => untilMs)),
})
const itemAt = (at: number) => ({ at, playId: `p${at}`, isRefused: false })

describe('what sounds in a night', () => {
  const slots = { fromMs: 0, slotMs: 1_000, slots: 10 }
  it('is twice as loud in power where two sound at once, and as loud as one where one ends as the other begins', () => {
    const one = (fromMs: number, untilMs: number): HeardSound => ({ fromMs, untilMs, lufs: -16 })
    const loudest = loudestOf([one(0, 2_000), one(1_500, 3_000), one(5_000, 6_000), one(6_000, 7_000)], slots)
    expect(loudest.map((each) => each && Math.round(each * 10) / 10)).toEqual([
      ...[-16, -13, -16, null, null, -16, -16, null, null, null],
    ])
  })
  it('is never quieter than its loudest sound nor louder than all of them at once', () => {
    const sound = fc
      .tuple(fc.nat(9_000), fc.integer({ min: 1, max: 4_000 }), fc.integer({ min: -40, max: -6 }))
      .map(([fromMs, ms, lufs]): HeardSound => ({ fromMs, untilMs: fromMs + ms, lufs }))
    fc.assert(
      fc.property(fc.array(sound, { minLength: 1, maxLength: 30 }), (sounds) => {
        const loudest = loudestOf(sounds, slots)
        const all = 10 * Math.log10(sounds.reduce((sum, { lufs }) => sum + 10 ** (lufs / 10), 0))
        for (const { fromMs, lufs } of sounds)
          expect(loudest[Math.min(9, Math.floor(fromMs / 1_000))]).toBeGreaterThanOrEqual(lufs - 1e-6)
        for (const each of loudest) expect(each ?? -Infinity).toBeLessThanOrEqual(all + 1e-6)
        const silent = Array.from({ length: 10 }, (_, slot) =>
          sounds.every(({ fromMs, untilMs }) => untilMs <= slot * 1_000 || fromMs >= (slot + 1) * 1_000),
        )
        silent.forEach((is, slot) => slot < 9 && is && expect(loudest[slot]).toBeNull())
      }),
    )
  })
})

describe('bursts of a night', () => {
  it('are the minutes in which most came, five minutes apart, and never a calm one', () => {
    const calm = Array.from({ length: 60 }, (_, at) => at * 60_000)
    const much = (atMs: number, count: number) => Array.from({ length: count }, (_, at) => atMs + at * 100)
    const night = nightAt([...calm, ...much(600_000, 30), ...much(2_400_000, 80), ...much(2_460_000, 20)])
    expect(burstsOf(night).map(({ atMs, kind }) => [Math.round(atMs / 60_000), kind])).toEqual([
      [10, 'follow'],
      [40, 'follow'],
    ])
    expect(burstsOf(nightAt(calm))).toEqual([])
    expect(burstsOf(nightOf([]))).toEqual([])
  })
  it('hold as many as they say, whatever the night', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1_200_000), { maxLength: 200 }), (moments) => {
        const night = nightAt(moments)
        const bursts = burstsOf(night)
        for (const { atMs, count } of bursts) {
          expect(night.events.filter((each) => each.atMs >= atMs && each.atMs < atMs + 60_000)).toHaveLength(count)
          expect(count).toBeGreaterThanOrEqual(8)
        }
        bursts.forEach(({ atMs }, at) => {
          if (at > 0) expect(atMs - (bursts[at - 1]?.atMs ?? 0)).toBeGreaterThanOrEqual(300_000)
        })
      }),
    )
  })
})

describe('several boxes together', () => {
  it('take the screen while any of them does, and count what came in each', () => {
    const night = nightAt([0, 0])
    const counter = { items: [itemAt(0), itemAt(1)], played: playedAs([{ at: 0, fromMs: 0, untilMs: 5_000 }]) }
    const street = {
      items: [itemAt(0), itemAt(1)],
      played: playedAs([
        { at: 0, fromMs: 2_000, untilMs: 6_000 },
        { at: 1, fromMs: 8_000, untilMs: 9_000 },
      ]),
    }
    const { screen, slotMs, counts, all } = figuresOf(night, [counter, street])
    expect(screen.reduce((a, b) => a + b) * slotMs).toBeCloseTo(7_000)
    expect(counts).toMatchObject({ shown: 3, nothing: 1 })
    expect(all).toMatchObject({ count: 3, worstMs: 8_000 })
  })
  it('tell of each viewer what waited longest, those who waited longest first', () => {
    const night = nightAt([0, 1_000, 2_000], (at) => (at === 2 ? 'v0' : `v${at}`))
    const part = {
      items: [itemAt(0), itemAt(1), { at: 2, playId: null, isRefused: true }],
      played: playedAs([
        { at: 0, fromMs: 500, untilMs: 1_000 },
        { at: 1, fromMs: 9_000, untilMs: 9_500 },
      ]),
    }
    expect(viewerWaitsOf(night, [part])).toMatchObject([
      { name: 'v1', shown: 1, unshown: 0, longestMs: 8_000, longestAt: 1 },
      { name: 'v0', shown: 1, unshown: 1, longestMs: 500, longestAt: 0 },
    ])
  })
})
