import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterPicture } from '../../../composition/starterParts.ts'
import { sampleEvent } from '../../../events/sampleEvent.ts'
import { lanternLook } from '../../../look/lanternLook.ts'
import { sumPeak } from '../../../audio/sumPeak.ts'
import type { MediaFacts } from '../../mediaFacts.ts'
import { resolveScore } from '../../resolve.ts'
import { scoreRows } from '../../rows.ts'
import { sceneAt } from '../../sceneAt.ts'
import type { Picture } from './schema.ts'
import { lateBy, paceOf } from './videoPace.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const videoId = 'c'.repeat(64)
const video = (changes: Partial<MediaFacts> = {}): MediaFacts => ({
  url: '/v',
  mime: 'video/webm',
  durationMs: 2000,
  level: { lufs: -22, truePeakDbtp: -9 },
  ownSound: { startsMs: 300, durationMs: 1700 },
  ...changes,
})
function played(changes: Partial<Picture> = {}, facts = video(), lengthMs = 7000) {
  const picture = { ...starterPicture(canvas, videoId), ...changes }
  const composition = {
    version: 4 as const,
    length: { rule: 'fixed' as const, ms: lengthMs },
    parts: [picture],
    silenced: [],
  }
  const media = { [videoId]: facts }
  const result = resolveScore(composition, {
    ...{ canvas, look: lanternLook, zones: [], event: sampleEvent('tip'), locale: 'en', media },
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return { composition, media, score: result.value, sound: result.value.parts.find((part) => part.kind === 'sound') }
}

describe('the sound of a video', () => {
  it('begins anew with each round of its picture, levelled as every sound', () => {
    const { sound, score } = played()
    expect(sound).toMatchObject({
      id: 'picture.own',
      startMs: 0,
      endMs: 7000,
      repeats: true,
      round: { ms: 2000, leadMs: 300 },
      gainDb: lanternLook.soundLevel.targetLufs + 22,
    })
    const offsets = [0, 300, 1999, 2000, 2300].map((tMs) => sceneAt(score, new Map(), tMs).sounds[0]?.sourceOffsetMs)
    expect(offsets).toEqual([-300, 0, 1699, -300, 0])
  })
  it('is heard to its end where the last picture stays, and goes down where the alert cuts it off', () => {
    const long = video({ ownSound: { startsMs: 300, durationMs: 5000 } })
    expect(played({ repeats: 'hold' }, long).sound).toMatchObject({ startMs: 300, endMs: 5300, repeats: false })
    const natural = {
      start: { at: 'score.start' as const, offsetMs: 0 },
      end: { length: 'natural' as const, times: 1 },
    }
    expect(played({ clip: natural }, video(), 1500).sound).toMatchObject({ endMs: 1500, fadeOutMs: 400 })
  })
  it('is absent where the file has none, where it is muted, and where its picture is hidden', () => {
    const { ownSound: _, ...silent } = video()
    expect(played({}, silent).sound).toBeUndefined()
    expect(played({ ownSound: { isMuted: true, isLevelled: true, trimDb: 0 } }).sound).toBeUndefined()
    expect(played({ isHidden: true }).sound).toBeUndefined()
    expect(played({}, video({ ownSound: { startsMs: 2000, durationMs: 500 } })).sound).toBeUndefined()
  })
  it('is never heard while its picture is not there, whatever their lengths', () => {
    const ms = fc.integer({ min: 0, max: 9000 })
    fc.assert(
      fc.property(
        ms,
        ms,
        ms,
        fc.constantFrom('loop' as const, 'hold' as const),
        (startsMs, durationMs, roundMs, repeats) => {
          const facts = video({ durationMs: roundMs, ownSound: { startsMs, durationMs } })
          const { sound, score } = played({ repeats }, facts)
          if (sound?.kind !== 'sound') return
          expect(sound.startMs).toBeGreaterThanOrEqual(0)
          expect(sound.endMs).toBeLessThanOrEqual(score.lengthMs)
          expect(sound.endMs).toBeGreaterThan(sound.startMs)
        },
      ),
    )
  })
  it('has a lane under that of its picture, and ties go past it', () => {
    const { composition, media, score } = played()
    const below = {
      ...starterPicture(canvas, null),
      id: 'below',
      clip: { ...composition.parts[0]!.clip, start: { at: 'picture.start' as const, offsetMs: 100 } },
    }
    const both = { ...composition, parts: [below, ...composition.parts] }
    const clips = { ...score.clips, below: { ...score.clips.picture!, startMs: 100 } }
    const rows = scoreRows(both, clips, score.lengthMs, media)
    expect(rows.map(({ id, partId }) => [id, partId])).toEqual([
      ['picture', 'picture'],
      ['picture.own', 'picture'],
      ['below', 'below'],
    ])
    expect(rows[1]).toMatchObject({ ownSound: { startsMs: 300, roundMs: 2000 }, caption: 'levelled', startTie: null })
    expect(rows[2]?.startTie?.row).toBe(0)
    expect(scoreRows(both, clips, score.lengthMs, {})).toHaveLength(2)
  })
  it('counts in sums where it is heard in each round, and not in the silence around it', () => {
    const wave = (peaks: number[]) => ({
      gainDb: 0,
      overshoot: 1,
      waveform: { stretchMs: 10, peaks: Uint8Array.from(peaks) },
    })
    const rounds = { ...wave([255]), startMs: 0, endMs: 400, repeats: true, round: { ms: 100, leadMs: 50 } }
    const at = (startMs: number) => sumPeak([rounds, { ...wave([255]), startMs, endMs: startMs + 10, repeats: false }])
    expect([at(250).amplitude, at(350).amplitude, at(310).amplitude, at(380).amplitude]).toEqual([2, 2, 0, 0])
  })
})

describe('the pace of a video', () => {
  it('brings it to its moment from however far, and never past it', () => {
    fc.assert(
      fc.property(fc.integer({ min: -90, max: 90 }), fc.integer({ min: 5, max: 40 }), (firstMs, frameMs) => {
        let late = firstMs
        for (let passed = 0; passed < 900; passed += frameMs) {
          const before = late
          late -= (paceOf(late) - 1) * frameMs
          expect(Math.sign(late) === Math.sign(before) || Math.abs(late) < 20).toBe(true)
          expect(Math.abs(late)).toBeLessThanOrEqual(Math.abs(before))
        }
        expect(Math.abs(late)).toBeLessThanOrEqual(4)
      }),
    )
  })
  it('goes the shorter way round where it begins again', () => {
    expect([lateBy(10, 1990, 2000), lateBy(1990, 10, 2000), lateBy(500, 300, 2000)]).toEqual([20, -20, 200])
    expect(lateBy(10, 1990, null)).toBe(-1980)
  })
})
