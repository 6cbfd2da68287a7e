import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SayAnswer } from '../../contract/speech.ts'
import { usualSettings } from '../../core/speech/settings.ts'
import { usualVoice } from '../../core/speech/voiceChoice.ts'
import { useSpeechStore } from './speech.ts'

const saying = (written: string) => ({ of: 'line' as const, written, emotes: [], voice: null })
const answerTo = (written: string): SayAnswer => ({
  text: written,
  outcome: 'kept',
  changes: [],
  reason: null,
  language: 'en',
  voice: usualVoice,
  trouble: null,
  utterance: {
    of: 'line',
    text: written,
    url: `/speech/${written}.wav`,
    durationMs: 500,
    level: null,
    words: [],
    waveform: { stretchMs: 40, peaks: [1, 2] },
  },
})

describe('samples of voices', () => {
  const asked: string[][] = []
  let fails = false
  /** What holds answers of the server back, by method. */
  const held: Record<string, Promise<unknown>> = {}
  beforeEach(() => {
    for (const method of Object.keys(held)) delete held[method]
    setActivePinia(createPinia())
    asked.length = 0
    fails = false
    vi.stubGlobal('fetch', async (path: string, { body, method }: { body?: string; method: string }) => {
      if (fails) return new Response('{"detail":"The server is full."}', { status: 503 })
      if (path.endsWith('/say')) {
        const written = (JSON.parse(body ?? '{}') as { sayings: { written: string }[] }).sayings.map(
          (each) => each.written,
        )
        asked.push(written)
        await held[method]
        return Response.json({ said: written.map(answerTo) })
      }
      await held[method]
      return Response.json(method === 'GET' ? { settings: usualSettings, voices: [], troubles: [] } : {})
    })
  })
  afterEach(() => vi.unstubAllGlobals())

  it('are asked for once, also while the answer is still to come', async () => {
    const speech = useSpeechStore()
    await Promise.all([speech.ask([saying('a'), saying('b')]), speech.ask([saying('b'), saying('c')])])
    await speech.ask([saying('a')])
    expect(asked).toEqual([['a', 'b'], ['c']])
    expect(speech.answerOf(saying('b'))?.utterance?.url).toBe('/speech/b.wav')
    expect(speech.measured['/speech/a.wav']?.waveform.peaks).toEqual(Uint8Array.from([1, 2]))
  })
  it('leave a part out until all that it says is known', async () => {
    const speech = useSpeechStore()
    const voices = [{ part: { id: 'voice' }, sayings: [saying('a'), saying('b')] }]
    await speech.ask([saying('a')])
    expect(speech.spokenOf(voices)).toEqual({})
    await speech.ask([saying('b')])
    expect(speech.spokenOf(voices)['voice']?.map(({ text }) => text)).toEqual(['a', 'b'])
  })
  it('that failed are said to have, and asked for again', async () => {
    const speech = useSpeechStore()
    fails = true
    await speech.ask([saying('a')])
    expect(speech.refusal).toBe('The server is full.')
    fails = false
    await speech.ask([saying('a')])
    expect([speech.refusal, asked]).toEqual(['', [['a']]])
  })
  it('are asked for anew when the rules changed; rules that the server refuses stay as they were', async () => {
    const speech = useSpeechStore()
    await speech.ensureLoaded()
    await speech.ask([saying('a')])
    await speech.save({ ...usualSettings, isOn: false })
    expect([speech.settings?.isOn, speech.answerOf(saying('a'))]).toEqual([false, undefined])
    fails = true
    await expect(speech.save(usualSettings)).rejects.toThrow('full')
    expect(speech.settings?.isOn).toBe(false)
  })
  it('wait for rules that are being kept, and are asked for anew when they changed meanwhile', async () => {
    const speech = useSpeechStore()
    await speech.ensureLoaded()
    let keep = () => {}
    held.PUT = new Promise<void>((resolve) => (keep = resolve))
    const saving = speech.save({ ...usualSettings, isOn: false })
    const first = speech.ask([saying('a')])
    await Promise.resolve()
    expect(asked).toEqual([])
    keep()
    await saving
    let answer = () => {}
    held.POST = new Promise<void>((resolve) => (answer = resolve))
    await vi.waitFor(() => expect(asked).toEqual([['a']]))
    await speech.save(usualSettings)
    delete held.POST
    answer()
    await first
    expect([asked, speech.answerOf(saying('a'))?.text]).toEqual([[['a'], ['a']], 'a'])
  })
  it('of rules kept one after another the last stand, and one that is refused leaves what was kept', async () => {
    const speech = useSpeechStore()
    await speech.ensureLoaded()
    const saving = [
      speech.save({ ...usualSettings, approvesMessages: true }),
      speech.save({ ...usualSettings, isOn: false }),
    ]
    await Promise.all(saving)
    fails = true
    await Promise.allSettled([speech.save(usualSettings), speech.save({ ...usualSettings, approvesMessages: true })])
    expect(speech.settings).toEqual({ ...usualSettings, isOn: false })
  })
})
