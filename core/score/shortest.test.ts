import { describe, expect, it } from 'vitest'
import { demoBoxes } from '../../demo/scenario.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import type { Variation } from '../composition/box.ts'
import { readingMs } from './parts/message/readingMs.ts'
import { resolveScore, shortestOfScore, type ResolveContext } from './resolve.ts'

const box = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
const caseOf = (id: string): Variation =>
  box.alerts.flatMap(({ variations }) => variations).find((each) => each.id === id)!
const media = Object.fromEntries(
  ['lantern', 'oven-bell', 'tray-of-five', 'tray-slide', 'rush-hour-brass', 'queue-at-the-door'].map((file) => [
    file.padEnd(64, '0'),
    { url: `/media/${file}`, mime: 'image/png', durationMs: 1800 },
  ]),
)
const contextFor = (kind: 'follow' | 'giftBatch' | 'raid' | 'tip', name: 'everyday' | 'longest' = 'everyday') =>
  ({ ...box, event: sampleEvent(kind, name), locale: 'en', media }) as ResolveContext

describe('as short as a score may be', () => {
  const follow = caseOf('follow-everyday').composition
  const context = contextFor('follow')
  const shortMs = shortestOfScore(follow, context) ?? 0

  it('is shorter than it usually is, and leaves the words as long as they take to be read', () => {
    expect(shortMs).toBeGreaterThan(2000)
    expect(shortMs).toBeLessThan(7000)
    const short = resolveScore({ ...follow, length: { rule: 'fixed', ms: shortMs } }, context)
    const usual = resolveScore(follow, context)
    if (!short.ok || !usual.ok) throw new Error('it does not resolve')
    expect(short.value.remarks).toEqual(usual.value.remarks)
    const second = short.value.clips.second!
    const stayMs = second.endMs - second.startMs - second.entranceMs - second.exitMs
    expect(stayMs).toBeGreaterThanOrEqual(readingMs('joins the night shift'))
    for (const [id, clip] of Object.entries(short.value.clips)) {
      const before = usual.value.clips[id]!
      expect([clip.entranceMs, clip.exitMs]).toEqual([before.entranceMs, before.exitMs])
    }
  })
  it('is longer where the words are', () => {
    const longMs = shortestOfScore(follow, contextFor('follow', 'longest')) ?? 7000
    expect(longMs).toBeGreaterThan(shortMs)
  })
  it('never cuts off a sound', () => {
    const soundMs = 6300
    const long = {
      ...media,
      ['oven-bell'.padEnd(64, '0')]: { url: '/media/x', mime: 'audio/wav', durationMs: soundMs },
    }
    expect(shortestOfScore(follow, { ...context, media: long })).toBeGreaterThanOrEqual(soundMs)
  })
  it('never leaves a movement unfinished', () => {
    const moving = structuredClone(follow)
    for (const part of moving.parts)
      if (part.kind === 'picture')
        part.keyframes = [{ property: 'scale', frames: [{ atMs: 6000, value: 2, easing: 'linear' }] }]
    expect(shortestOfScore(moving, context)).toBeGreaterThanOrEqual(6000)
  })
  it('is nothing for one that is as long as it needs to be anyway', () => {
    expect(shortestOfScore(caseOf('tip-everyday').composition, contextFor('tip'))).toBeNull()
    expect(shortestOfScore({ ...follow, length: { rule: 'fixed', ms: 900 } }, context)).toBeNull()
  })
})
