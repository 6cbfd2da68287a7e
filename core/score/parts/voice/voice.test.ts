import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { composition as compositionSchema, type Composition } from '../../../composition/schema.ts'
import { starterComposition } from '../../../composition/starter.ts'
import { starterMessage, starterVoice } from '../../../composition/starterParts.ts'
import { addPart } from '../../../edit/addPart.ts'
import { changeBox } from '../../../edit/change.ts'
import { plainBox } from '../../../composition/plainBox.ts'
import { dialFor } from '../../../pack/dialFor.ts'
import { sampleEvent } from '../../../events/sampleEvent.ts'
import { lanternLook } from '../../../look/lanternLook.ts'
import { resolveScore } from '../../resolve.ts'
import { sceneAt } from '../../sceneAt.ts'
import { withoutVoices } from '../../withoutVoices.ts'
import { spokenLengths, voicesOf } from '../../../speech/sayings.ts'
import type { Utterance } from '../../../speech/spoken.ts'
import { litAt } from '../../../text/readAlong.ts'
import type { ResolvedVoice } from './resolveVoice.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const soundId = 'b'.repeat(64)
const media = { [soundId]: { url: '/s', mime: 'audio/wav', durationMs: 9000, level: { lufs: -16, truePeakDbtp: -6 } } }
const utterance = (changes: Partial<Utterance> = {}): Utterance => ({
  of: 'message',
  text: 'the rye is good',
  url: '/speech/a.wav',
  durationMs: 4000,
  level: { lufs: -22, truePeakDbtp: -9 },
  words: [
    { from: 0, to: 3, atMs: 0 },
    { from: 4, to: 7, atMs: 500 },
    { from: 8, to: 10, atMs: 1200 },
    { from: 11, to: 15, atMs: 2000 },
  ],
  ...changes,
})

/** An alert with a sound, the viewer's message lit as it is read, and a voice that begins after a second. */
function spoken(
  voice: Partial<ReturnType<typeof starterVoice>> = {},
  length: Composition['length'] = { rule: 'fit', minMs: 5000, maxMs: 45_000 },
): Composition {
  const made = starterComposition(
    canvas,
    { headline: '{name}', second: 'tipped {amount}' },
    { pictureId: null, soundId },
  )
  const message = { ...starterMessage(canvas), readAlong: { ink: { own: '#FF0000' }, keeps: false } }
  return {
    ...made,
    length,
    parts: [...made.parts, message, { ...starterVoice('', { at: 'score.start', offsetMs: 1000 }), ...voice }],
  }
}
const event = {
  ...sampleEvent('tip'),
  data: { ...sampleEvent('tip').data, message: { text: 'The rye, is GOOD!' } },
} as ReturnType<typeof sampleEvent>
const resolve = (composition: Composition, said: Record<string, Utterance[]> | null = { voice: [utterance()] }) => {
  const score = resolveScore(composition, {
    canvas,
    look: lanternLook,
    zones: [],
    event,
    locale: 'en-IE',
    media,
    ...(said ? { spoken: said } : {}),
  })
  if (!score.ok) throw new Error(JSON.stringify(score.error))
  return score.value
}
const voiceIn = (score: ReturnType<typeof resolve>) =>
  score.parts.find((part): part is ResolvedVoice => part.kind === 'voice')

describe('a voice', () => {
  it('is a part that a composition can have', () => expect(compositionSchema.safeParse(spoken()).error).toBeUndefined())

  it('stretches the score to what was measured', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 40_000 }), (durationMs) => {
        const score = resolve(spoken(), { voice: [utterance({ durationMs })] })
        expect(score.lengthMs).toBe(Math.max(9000, 1000 + durationMs))
        // Whatever stays to the end stays as long as it is read.
        expect(score.parts.find(({ id }) => id === 'headline')?.endMs).toBe(score.lengthMs)
      }),
    )
  })
  it('is estimated while it has not spoken, and takes no time where it says nothing', () => {
    const estimated = spokenLengths(spoken(), event, 'en', {}).voice ?? 0
    expect(estimated).toBeGreaterThan(700)
    expect(estimated).toBeLessThan(3000)
    expect(voiceIn(resolve(spoken(), null))).toBeUndefined()
    expect(resolve(spoken({}, { rule: 'fit', minMs: 500, maxMs: 45_000 }), { voice: [] }).lengthMs).toBe(9000)
  })
  it('says the line, pauses, and reads the message, each levelled', () => {
    const score = resolve(spoken({ template: '{name}', pauseMs: 300 }), {
      voice: [utterance({ of: 'line', durationMs: 1000, level: { lufs: -10, truePeakDbtp: -1 } }), utterance()],
    })
    expect(voiceIn(score)?.utterances.map(({ of, startMs, endMs, gainDb }) => [of, startMs, endMs, gainDb])).toEqual([
      ['line', 1000, 2000, -6],
      ['message', 2300, 6300, 6],
    ])
  })
  it('is cut where the alert ends before it does, and fades', () => {
    const score = resolve(spoken({}, { rule: 'fixed', ms: 3000 }))
    expect(voiceIn(score)?.utterances).toMatchObject([{ endMs: 3000, fadeOutMs: 200 }])
    expect(score.remarks).toContainEqual({ type: 'cutOff', partId: 'voice' })
    const loud = sceneAt(score, new Map(), 2700).sounds.find(({ partId }) => partId === 'voice')?.gainDb ?? 0
    const faded = sceneAt(score, new Map(), 2900).sounds.find(({ partId }) => partId === 'voice')?.gainDb ?? 0
    expect(loud - faded).toBeCloseTo(6.02, 1)
  })
  it('brings other sounds down while it speaks, by the stated decibels', () => {
    const score = resolve(spoken({ duckDb: -12 }))
    const soundAt = (tMs: number) =>
      sceneAt(score, new Map(), tMs).sounds.find(({ partId }) => partId === 'sound')?.gainDb ?? NaN
    expect(soundAt(500)).toBe(0)
    expect(soundAt(3000)).toBeCloseTo(-12)
    expect(soundAt(8000)).toBe(0)
    expect(sceneAt(score, new Map(), 3000).sounds.find(({ partId }) => partId === 'voice')).toMatchObject({
      sourceOffsetMs: 2000,
      gainDb: 6,
    })
  })
  it('lights the words of the message as it reads them, however they were written', () => {
    const score = resolve(spoken())
    const message = score.parts.find(({ id }) => id === 'message')
    const readAlong = message && 'readAlong' in message ? message.readAlong : null
    expect(readAlong?.words).toEqual([
      { from: 0, to: 3, atMs: 1000 },
      { from: 3, to: 7, atMs: 1500 },
      { from: 7, to: 9, atMs: 2200 },
      { from: 9, to: 14, atMs: 3000 },
    ])
    if (!readAlong) return
    expect([0, 1000, 1499, 1500, 4999, 5000].map((tMs) => litAt(readAlong, tMs))).toEqual([
      [0, 0],
      [0, 1],
      [0, 1],
      [1, 2],
      [3, 4],
      [0, 0],
    ])
    expect(litAt({ ...readAlong, keeps: true }, 9000)).toEqual([0, 4])
  })
  it('that was silenced leaves everything else as it was', () => {
    const score = resolve(spoken())
    const silent = withoutVoices(score)
    expect([silent.lengthMs, silent.duck, silent.parts.map(({ id, startMs, endMs }) => [id, startMs, endMs])]).toEqual([
      score.lengthMs,
      undefined,
      score.parts.filter(({ kind }) => kind !== 'voice').map(({ id, startMs, endMs }) => [id, startMs, endMs]),
    ])
    expect(silent.parts.find(({ id }) => id === 'message')).toMatchObject({ readAlong: null })
  })
  it('reads what a reward asked for', () => {
    const asked = { ...sampleEvent('redemption') }
    const [voice] = voicesOf({ parts: [starterVoice('{name} called')] }, asked, 'en')
    expect(voice?.sayings.map(({ of, written }) => [of, written])).toEqual([
      ['line', 'pip_rye called'],
      ['message', 'Crumbelina'],
    ])
  })
  it('can be turned by dials, within what it may be', () => {
    const box = plainBox(canvas, [
      {
        id: 'tip',
        kinds: ['tip'],
        isOn: true,
        offer: null,
        variations: [{ id: 'v', name: 'V', rule: null, share: null, composition: spoken({ template: '{name} rang' }) }],
      },
    ])
    const at = (field: string) => dialFor(box, `alerts.tip.variations.v.parts.voice.${field}`, field)
    expect(at('duckDb')).toMatchObject({ kind: 'number', initial: -14, least: -30, most: 0 })
    expect(at('template')).toMatchObject({ kind: 'words', initial: '{name} rang' })
    expect(at('lineVoice')).toBeNull()
  })
  it('makes the alert wait for it when it is put in', () => {
    const composition = starterComposition(
      canvas,
      { headline: '{name}', second: '' },
      { pictureId: null, soundId: null },
    )
    const box = plainBox(canvas, [
      {
        id: 'tip',
        kinds: ['tip'],
        isOn: true,
        offer: null,
        variations: [{ id: 'v', name: 'V', rule: null, share: null, composition }],
      },
    ])
    const changed = changeBox(box, addPart({ alertId: 'tip', variationId: 'v' }, starterVoice()))
    expect(changed.ok && changed.value.document.alerts[0]?.variations[0]?.composition.length).toEqual({
      rule: 'fit',
      minMs: 7000,
      maxMs: 45_000,
    })
  })
})
