import { fileURLToPath } from 'node:url'
import { mkdtempSync, readdirSync, rmSync, utimesSync } from 'node:fs'
import { createServer, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { plainBox } from '../../core/composition/plainBox.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { starterVoice } from '../../core/composition/starterParts.ts'
import { err, ok } from '../../core/result.ts'
import { findBlocked } from '../../core/speech/words/findBlocked.ts'
import { usualSettings } from '../../core/speech/settings.ts'
import { usualVoice } from '../../core/speech/voiceChoice.ts'
import type { SpeechEngine, Spoken } from './engine.ts'
import { SpeechEngines } from './engines.ts'
import { enginesUsed } from './enginesUsed.ts'
import { guessLanguage } from './languages/guessLanguage.ts'
import { LanguageProcess } from './languages/languageProcess.ts'
import { HttpEngine } from './httpEngine.ts'
import { recordSpeech } from './recordSpeech.ts'
import { Speaker } from './speaker.ts'
import { SpeechCache } from './speechCache.ts'
import { trialShares } from './trialShares.ts'
import { blockedFor } from './wordLists.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-speech-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A tone between silences. */
function tone(heardMs: number, { beforeMs = 0, afterMs = 0, rateHz = 16_000, loud = 0.3 } = {}): Spoken {
  const at = (ms: number) => Math.round((ms * rateHz) / 1000)
  const samples = new Int16Array(at(beforeMs + heardMs + afterMs))
  for (let index = 0; index < at(heardMs); index++)
    samples[at(beforeMs) + index] = Math.round(Math.sin((2 * Math.PI * 440 * index) / rateHz) * loud * 32_767)
  return { rateHz, samples, words: [] }
}
const recording = async (text = 'good evening') => recordSpeech(text, tone(400))

const guesser = {
  guess: async (texts: readonly string[], own: string) => texts.map((text) => guessLanguage(text, own)),
}

describe('the process that tells languages apart', () => {
  const entry = (path: string) => ({
    path: fileURLToPath(new URL(path, import.meta.url)),
    execArgv: ['--import', 'tsx'],
  })

  it('answers as it would here', async () => {
    const languages = new LanguageProcess(entry('./languages/main.ts'))
    const texts = ['O pão está muito bom esta noite, obrigado a todos', 'The bread is very good tonight, thank you all']
    // It reads what it knows first: a slow machine takes its time.
    await vi.waitFor(async () => expect(await languages.guess(texts, 'de')).toEqual(['pt', 'en']), 60_000)
    languages.close()
  }, 70_000)
  it('that does not start costs nothing: texts are in the channel’s own language', async () => {
    const languages = new LanguageProcess({ path: '/nowhere/languages.mjs', execArgv: [] })
    expect(await languages.guess(['The bread is very good tonight'], 'pt')).toEqual(['pt'])
    languages.close()
  })
})

describe('a recording', () => {
  it('loses the silence around what is said, its words move along, and it is levelled like any sound', async () => {
    const { durationMs, words, level, waveform, wav } = await recordSpeech('a b', {
      ...tone(600, { beforeMs: 400, afterMs: 900 }),
      words: [
        { from: 0, to: 1, atMs: 410 },
        { from: 2, to: 3, atMs: 700 },
      ],
    })
    expect(Math.abs(durationMs - 750)).toBeLessThanOrEqual(2)
    expect(words).toEqual([
      { from: 0, to: 1, atMs: 40 },
      { from: 2, to: 3, atMs: 330 },
    ])
    expect(level?.truePeakDbtp).toBeCloseTo(20 * Math.log10(0.3), 0)
    expect(waveform.peaks).toHaveLength(Math.ceil(durationMs / waveform.stretchMs))
    expect(wav.length).toBe(44 + Math.round((durationMs * 16_000) / 1000) * 2)
  })
  it('has words spread over it where its engine tells none', async () =>
    expect((await recording('one two three')).words.map(({ from, to }) => [from, to])).toEqual([
      [0, 3],
      [4, 7],
      [8, 13],
    ]))
  it('that is longer than it may be fades out there, and loses the words behind', async () => {
    const long = { ...tone(3000), words: [0, 900, 1800].map((atMs, at) => ({ from: at * 2, to: at * 2 + 1, atMs })) }
    const { durationMs, words, wav, level } = await recordSpeech('a b c', long, 1500)
    expect(durationMs).toBeLessThanOrEqual(1500)
    expect(durationMs).toBeGreaterThan(1490)
    expect(words.map(({ atMs }) => atMs)).toEqual([0, 900])
    const samples = new Int16Array(wav.buffer, wav.byteOffset + 44, (wav.length - 44) / 2)
    const loudest = (fromMs: number, toMs: number) =>
      Math.max(...samples.subarray((fromMs * 16_000) / 1000, (toMs * 16_000) / 1000).map(Math.abs))
    expect(loudest(1400, 1440)).toBeGreaterThan(9000)
    expect(loudest(1485, 1495)).toBeLessThan(3500)
    expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(40)
    expect(level?.truePeakDbtp).toBeCloseTo(20 * Math.log10(0.3), 0)
  })
  it('of nothing but silence has no level', async () =>
    expect(await recordSpeech('x', tone(0, { beforeMs: 500 }))).toMatchObject({ level: null }))
})

describe('the cache of recordings', () => {
  const cache = new SpeechCache(join(folder, 'cache'), 'secret', 60_000)
  it('finds what was put, by what was said and how', async () => {
    const key = cache.keyOf('good evening', usualVoice)
    expect(await cache.find(key)).toBeNull()
    const { wav, ...facts } = await recording()
    await cache.put(key, { wav, ...facts })
    expect(await cache.find(key)).toEqual(facts)
    expect((await cache.read(key))?.length).toBe(wav.length)
    expect(cache.keyOf('good evening', { ...usualVoice, pitch: 51 })).not.toBe(key)
    expect(new SpeechCache(folder, 'another secret').keyOf('good evening', usualVoice)).not.toBe(key)
  })
  it.each(['../secret', '', 'a'.repeat(63), `${'a'.repeat(64)}/x`])(
    'reads nothing for what is no key: %j',
    async (key) => expect(await cache.read(key)).toBeNull(),
  )
  it('lets the longest unasked go when it is full, and stays bounded', async () => {
    const keys = Array.from({ length: 8 }, (_, index) => cache.keyOf(`text ${index}`, usualVoice))
    for (const [index, key] of keys.entries()) {
      await cache.put(key, await recording())
      utimesSync(join(folder, 'cache', `${key}.wav`), 1000 + index, 1000 + index)
    }
    const left = readdirSync(join(folder, 'cache')).filter((name) => name.endsWith('.wav'))
    expect(left.length).toBeLessThanOrEqual(5)
    expect(await cache.find(keys.at(-1) ?? '')).not.toBeNull()
    expect(await cache.find(keys[0] ?? '')).toBeNull()
  })
})

describe('the speaker', () => {
  const speak = vi.fn<SpeechEngine['speak']>(async ({ text }) =>
    text === 'broken' ? err('The voice program stopped.') : ok(tone(300)),
  )
  const voices = [
    { id: 'gmw/en', language: 'en-gb', name: 'English' },
    { id: 'roa/pt', language: 'pt', name: 'Portuguese' },
    { id: 'roa/pt-br', language: 'pt-br', name: 'Portuguese (Brazil)' },
  ]
  const one: SpeechEngine = { voices: async () => ok(voices), speak, close: () => undefined }
  const other: SpeechEngine = {
    voices: async () => ok([{ id: 'slt', language: 'en-US', name: 'Linden' }]),
    speak,
    close: () => undefined,
  }
  const speaker = new Speaker(
    new SpeechEngines(
      new Map([
        ['espeak-ng', one],
        ['flite', other],
      ]),
    ),
    new SpeechCache(join(folder, 'speaker'), 'secret'),
    guesser,
  )
  const saying = (written: string, of: 'line' | 'message' = 'message') => ({ of, written, emotes: [], voice: null })

  it('speaks the same words once, also when they are asked for twice at the same time', async () => {
    const both = await Promise.all([
      speaker.speak('line', 'good evening', usualVoice),
      speaker.speak('message', 'good evening', usualVoice),
    ])
    await speaker.speak('line', 'good evening', usualVoice)
    expect(speak).toHaveBeenCalledTimes(1)
    expect(both.map((each) => each.ok && each.value.of)).toEqual(['line', 'message'])
  })
  it('cuts what turns out longer than it may be, by whole words', async () => {
    // A slow voice: a third of a second for each word.
    speak.mockImplementation(async ({ text }) => ok(tone(text.split(' ').length * 330)))
    const { text, cut, made } = await speaker.speakWithin(
      'message',
      {
        text: 'one two three four five six seven eight nine ten',
        spoken: 'one two three four five six seven eight nine ten',
        voice: usualVoice,
      },
      { ...usualSettings.rules, maxSeconds: 2, pronunciations: [{ written: 'two', spoken: 'too' }] },
    )
    expect([text, cut.map(({ step }) => step)]).toEqual(['one two three four five', ['seconds']])
    expect(made.ok && made.value.durationMs).toBeLessThanOrEqual(2000)
    expect(speak.mock.lastCall?.[0].text).toBe('one too three four five')
    speak.mockImplementation(async ({ text: said }) =>
      said === 'broken' ? err('The voice program stopped.') : ok(tone(300)),
    )
  })
  it('fades out what is one long word', async () => {
    speak.mockImplementation(async () => ok(tone(5000)))
    const { text, cut, made } = await speaker.speakWithin(
      'message',
      { text: 'bcdfghjklm', spoken: 'bcdfghjklm', voice: usualVoice },
      { ...usualSettings.rules, maxSeconds: 2 },
    )
    expect([text, cut.map(({ step }) => step)]).toEqual(['bcdfghjklm…', ['seconds']])
    expect(made.ok && made.value.durationMs).toBeLessThanOrEqual(2000)
    speak.mockImplementation(async ({ text: said }) =>
      said === 'broken' ? err('The voice program stopped.') : ok(tone(300)),
    )
  })
  it('says what failed, and asks again the next time', async () => {
    speak.mockClear()
    expect([
      await speaker.speak('line', 'broken', usualVoice),
      await speaker.speak('line', 'broken', usualVoice),
    ]).toEqual([err('The voice program stopped.'), err('The voice program stopped.')])
    expect(speak).toHaveBeenCalledTimes(2)
    expect(await speaker.speak('line', 'hello', { ...usualVoice, engine: 'nobody' })).toMatchObject({ ok: false })
  })
  it('gives another language a voice of its own: of the same engine, else of one that has it; the line stays in the channel’s', async () => {
    const clean = (written: string, settings = usualSettings, of: 'line' | 'message' = 'message') =>
      speaker.clean(saying(written, of), settings, 'en-IE')
    expect(await clean('o pão de centeio é o melhor da noite')).toMatchObject({
      language: 'pt',
      voice: { voice: 'roa/pt' },
    })
    expect(await clean('good evening everybody, what a night')).toMatchObject({
      language: 'en',
      voice: { voice: 'gmw/en' },
    })
    expect(
      await clean('o pão de centeio é o melhor da noite', {
        ...usualSettings,
        messageVoice: { ...usualVoice, engine: 'flite', voice: 'slt' },
      }),
    ).toMatchObject({ voice: { engine: 'espeak-ng', voice: 'roa/pt' } })
    expect(
      await clean('o pão de centeio é o melhor da noite', { ...usualSettings, guessesLanguage: false }),
    ).toMatchObject({ voice: { voice: 'gmw/en' } })
    expect(await clean('o pão de centeio é o melhor da noite', usualSettings, 'line')).toMatchObject({ language: 'en' })
  })
  it('finds blocked words in what is typed, by the level and the words of the channel', async () => {
    const typed = ['Crumbelina', 'bollocks', 'soggy bottom', 'rye']
    const own = { ...usualSettings.rules, ownBlocked: ['soggy bottom'] }
    const blocked = (changes: Partial<typeof usualSettings>) =>
      speaker.blocked(typed, { ...usualSettings, ...changes }, 'en-IE')
    expect(await blocked({})).toEqual([false, true, false, false])
    expect(await blocked({ rules: own })).toEqual([false, true, true, false])
    // An open level takes no notice of the lists.
    expect(await blocked({ rules: own, strictness: 'open' })).toEqual([false, false, true, false])
    expect(await blocked({ rules: { ...own, allowed: ['bollocks'] } })).toEqual([false, false, true, false])
  })
  it('starts ahead what is spoken with on air: not what is muted, not what a part has replaced, nothing while voices are off', () => {
    const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
    const alert = starterAlert('tip', canvas, { pictureId: null, soundId: null })
    const part = starterVoice('{name}', { at: 'score.start', offsetMs: 0 })
    const used = (parts: readonly (typeof part)[], changes = {}) => {
      for (const { composition } of alert.variations) composition.parts = [...parts]
      return [
        ...enginesUsed({
          boxes: [
            { boxId: 'a', version: { id: 'v', document: plainBox(canvas, [alert]) } },
            { boxId: 'b', version: null },
          ],
          speech: { ...usualSettings, messageVoice: { ...usualVoice, engine: 'flite' }, ...changes },
        }),
      ]
    }
    expect(used([part])).toEqual(['espeak-ng', 'flite'])
    expect(
      used([
        { ...part, readsMessage: false },
        { ...part, isMuted: true, lineVoice: { ...usualVoice, engine: 'chirp' } },
      ]),
    ).toEqual(['espeak-ng'])
    expect(used([{ ...part, lineVoice: { ...usualVoice, engine: 'chirp' } }])).toEqual(['chirp', 'flite'])
    expect([used([part], { isOn: false }), used([])]).toEqual([[], []])
  })
  it.each([
    ['only emoji', '🔥'.repeat(400), 'changed'],
    ['a hundred kilobytes', 'word '.repeat(20_000), 'changed'],
    [
      'fifty languages',
      'hello olá مرحبا שלום привет γεια 今日は 你好 สวัสดี नमस्ते merhaba cześć hej ahoj szia salut ciao hola hallo bonjour',
      'kept',
    ],
    ['control characters', '\u0000\u0007\u001B[31m\u202Egood', 'changed'],
    ['orders for a voice', '<speak><break time="30s"/>good</speak>', 'kept'],
    ['blanks', ' \n\t ', 'refused'],
    ['nothing that is seen', '\u200B\u200D\uFEFF', 'refused'],
  ])('%s: something short is read, or nothing with a reason', async (_what, written, outcome) => {
    const cleaned = await speaker.clean(saying(written), usualSettings, 'en')
    expect(cleaned.outcome).toBe(outcome)
    expect(cleaned.text.length).toBeLessThanOrEqual(300)
    expect(cleaned.refusal === null).toBe(outcome !== 'refused')
  })
})

describe('languages', () => {
  it.each([
    ['good evening from the harbour', 'en'],
    ['haha yes', 'pt'],
    ['', 'pt'],
    ['gg', 'pt'],
    ['pip_rye', 'pt'],
    ['パンがとてもおいしいです', 'ja'],
    ['Das Roggenbrot war wieder ausgezeichnet', 'de'],
    ['o pão está bom', 'pt'],
  ])('%j in a Portuguese channel is taken for %s', (text, language) => expect(guessLanguage(text, 'pt')).toBe(language))

  it('lists are of English, the channel and the message: a word is not blocked for what it means elsewhere', () => {
    const blocks = (text: string, language: string, rules = usualSettings.rules) =>
      findBlocked(text, blockedFor(rules, [language])).length > 0
    expect([blocks('nu är det slut för idag', 'sv'), blocks('what a slut', 'en')]).toEqual([false, true])
    expect([blocks('el gato negro', 'es'), blocks('negro de mierda', 'es')]).toEqual([false, true])
    expect([blocks('il est en retard', 'fr'), blocks('you retard', 'en')]).toEqual([false, true])
    expect([
      blocks('a crumble', 'en'),
      blocks('a crumb1e', 'en', { ...usualSettings.rules, ownBlocked: ['crumble'] }),
    ]).toEqual([false, true])
  })
  it('the shipped messages: the default level stops the abusive ones and leaves the innocent ones', async () => {
    const shares = await trialShares(usualSettings, 'en-IE', guesser)
    for (const { abuse, count, careful, open } of shares) {
      expect([abuse, careful]).toEqual([abuse, abuse === null ? 0 : count])
      expect(open).toBeLessThanOrEqual(careful || 0)
    }
  })
})

describe('a voice service', () => {
  let server: Server
  let answer: (path: string, response: ServerResponse) => void = () => undefined
  let engine: HttpEngine
  beforeAll(async () => {
    server = createServer((request, response) => answer(request.url ?? '', response)).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    engine = new HttpEngine(`http://127.0.0.1:${(server.address() as AddressInfo).port}`)
  })
  afterAll(() => void server.close())
  const ask = () => engine.speak({ text: 'hello', voice: 'v', rate: 165, pitch: 50 })
  it.each<[string, (response: ServerResponse) => void]>([
    ['refuses', (response) => response.writeHead(500).end('no')],
    ['babbles', (response) => response.end('not json')],
    ['answers something else', (response) => response.end('{"rateHz": "fast", "pcm": 7}')],
    ['says nothing', (response) => response.end('{"rateHz": 16000, "pcm": ""}')],
    ['sends you elsewhere', (response) => response.writeHead(302, { location: 'http://127.0.0.1:1/' }).end()],
    [
      'does not stop',
      (response) => {
        const fill = () => {
          while (response.write('a'.repeat(1 << 20))) {
            /* as fast as it is read */
          }
        }
        response.on('drain', fill)
        fill()
      },
    ],
    ['hangs up', (response) => response.destroy()],
    [
      'has words in the wrong form',
      (response) => response.end('{"rateHz": 16000, "pcm": "AAAA", "words": [{"from": -1}]}'),
    ],
  ])('that %s costs the voice and nothing else', async (_what, how) => {
    answer = (_path, response) => how(response)
    expect(await ask()).toMatchObject({ ok: false })
  })
  it('that works is heard', async () => {
    answer = (path, response) =>
      response.end(
        path === '/voices'
          ? '{"voices":[{"id":"v","language":"en","name":"V"}]}'
          : JSON.stringify({ rateHz: 16_000, pcm: Buffer.from(tone(100).samples.buffer).toString('base64') }),
      )
    expect(await engine.voices()).toEqual(ok([{ id: 'v', language: 'en', name: 'V' }]))
    const spoken = await ask()
    expect(spoken.ok && spoken.value.samples.length).toBe(1600)
  })
  it('that hangs is given up in time, also while memory is being tidied', async () => {
    answer = () => undefined
    setFlagsFromString('--expose-gc')
    const tidy = runInNewContext('gc') as () => void
    const tidying = setInterval(() => tidy(), 20)
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    expect(await new HttpEngine(address, 200).voices()).toEqual(err('The voice took too long.'))
    clearInterval(tidying)
  })
  it('that is no longer wanted is let go at once', async () => {
    const asked = new Promise<void>((resolve) => (answer = () => resolve()))
    const said = engine.voices()
    await asked
    engine.close()
    expect(await said).toEqual(err('The voice service does not answer as it should.'))
  })
  it('that hangs delays nobody who has no need of it', async () => {
    const asked = vi.fn(() => new Promise<never>(() => undefined))
    const speak: SpeechEngine['speak'] = async () => ok(tone(50))
    const here: SpeechEngine = {
      voices: async () =>
        ok([
          { id: 'v', language: 'en', name: 'V' },
          { id: 'w', language: 'pt', name: 'W' },
        ]),
      speak,
      close: () => undefined,
    }
    const engines = new SpeechEngines(
      new Map<string, SpeechEngine>([
        ['hangs', { voices: asked, speak, close: () => undefined }],
        ['here', here],
      ]),
    )
    const choice = { ...usualVoice, engine: 'here', voice: 'v' }
    expect([await engines.voiceFor(choice, 'en'), await engines.voiceFor(choice, 'pt')]).toEqual([
      choice,
      { ...choice, voice: 'w' },
    ])
    expect(asked).not.toHaveBeenCalled()
  })
  it('that is not there is said to be a trouble, others speak', async () => {
    const gone = new HttpEngine('http://127.0.0.1:1')
    const engines = new SpeechEngines(
      new Map<string, SpeechEngine>([
        ['gone', gone],
        [
          'here',
          {
            voices: async () => ok([{ id: 'v', language: 'en', name: 'V' }]),
            speak: async () => ok(tone(50)),
            close: () => undefined,
          },
        ],
      ]),
    )
    expect(await engines.voices()).toMatchObject({ voices: [{ engine: 'here' }], troubles: [{ engine: 'gone' }] })
  })
})
