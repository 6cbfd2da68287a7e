import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { EngineProcess, type SpeechEngine, type Spoken } from '../../server/speech/engine.ts'
import { HttpEngine } from '../../server/speech/httpEngine.ts'
import { answerOf, chirpVoices } from '../../stand-ins/voice/chirp.ts'

const engineAt = (name: string) => fileURLToPath(new URL(`../../engines/${name}/main.mjs`, import.meta.url))
const engines: { name: string; make: () => SpeechEngine; voice: string; times: 'words' | 'none' }[] = [
  {
    name: 'espeak-ng',
    make: () => new EngineProcess([process.execPath, engineAt('espeak-ng')]),
    voice: 'gmw/en',
    times: 'words',
  },
  { name: 'flite', make: () => new EngineProcess([process.execPath, engineAt('flite')]), voice: 'slt', times: 'none' },
  { name: 'chirp', make: () => new HttpEngine(`http://127.0.0.1:${chirpPort}`), voice: 'wren', times: 'words' },
]
const secondsOf = ({ samples, rateHz }: Spoken) => samples.length / rateHz
/** The loudest of a stretch, 0…1. */
const peakOf = (samples: Int16Array) =>
  samples.reduce((largest, sample) => Math.max(largest, Math.abs(sample)), 0) / 32_768

/** The voice service that ships as a stand-in, as it answers over HTTP. */
const chirping = createServer((request, response) => {
  if (request.url === '/voices') return void response.end(JSON.stringify({ voices: chirpVoices }))
  const pieces: Buffer[] = []
  request.on('data', (piece: Buffer) => pieces.push(piece))
  request.on('end', () => response.end(JSON.stringify(answerOf(JSON.parse(Buffer.concat(pieces).toString('utf8'))))))
}).listen(0, '127.0.0.1')
let chirpPort = 0
beforeAll(async () => {
  if (!chirping.listening) await new Promise((resolve) => chirping.once('listening', resolve))
  chirpPort = (chirping.address() as AddressInfo).port
})
afterAll(() => void chirping.close())

describe.each(engines)('the engine $name', ({ make, voice, times }) => {
  let engine: SpeechEngine
  beforeAll(() => void (engine = make()))
  afterAll(() => engine.close())
  const speak = async (text: string, changes: Partial<{ voice: string; rate: number; pitch: number }> = {}) =>
    engine.speak({ text, voice, rate: 165, pitch: 50, ...changes })
  const spoken = async (text: string, changes = {}) => {
    const result = await speak(text, changes)
    if (!result.ok) throw new Error(result.error)
    return result.value
  }

  it('has voices, each with a language, and the one that is used here is among them', async () => {
    const voices = await engine.voices()
    if (!voices.ok) throw new Error(voices.error)
    expect(voices.value.map(({ id }) => id)).toContain(voice)
    expect(voices.value.filter(({ id, language }) => id === '' || language === '')).toEqual([])
    expect(new Set(voices.value.map(({ id }) => id)).size).toBe(voices.value.length)
  })
  it('says a text aloud, longer ones longer, faster ones shorter', async () => {
    const short = await spoken('Good evening.')
    const long = await spoken('Good evening, and welcome to the night bakery at the corner.')
    const quick = await spoken('Good evening, and welcome to the night bakery at the corner.', { rate: 300 })
    expect(peakOf(short.samples)).toBeGreaterThan(0.1)
    expect(secondsOf(long)).toBeGreaterThan(secondsOf(short) * 1.8)
    expect(secondsOf(quick)).toBeLessThan(secondsOf(long) * 0.75)
  })
  it('as long for the same, within a hundredth', async () => {
    const [once, again] = [await spoken('the rye is done'), await spoken('the rye is done')]
    expect(Math.abs(secondsOf(once) - secondsOf(again))).toBeLessThan(secondsOf(once) / 100)
  })
  it('tells when each word begins, by letters, or tells of no word at all', async () => {
    const text = 'naïve 🥐 loaf for Tomé now'
    const { words, ...sound } = await spoken(text)
    expect(words.map(({ from, to }) => [...text].slice(from, to).join(''))).toEqual(
      times === 'none' ? [] : expect.arrayContaining(['naïve', 'loaf', 'for', 'now']),
    )
    words.forEach(({ atMs }, at) => {
      expect(atMs).toBeGreaterThanOrEqual(words[at - 1]?.atMs ?? 0)
      expect(atMs).toBeLessThan(secondsOf(sound as Spoken) * 1000)
    })
  })
  it.each([
    '<break time="20s"/>hello',
    '<speak><prosody rate="x-slow">hello</prosody></speak>',
    '[[h@l@U]] &amp; &#x41;',
    'a\0b',
    '</voice>',
  ])('takes what looks like orders for words: %j', async (text) => {
    expect(secondsOf(await spoken(text))).toBeLessThan(12)
  })
  it('refuses what it cannot say, and goes on', async () => {
    expect(await speak('')).toMatchObject({ ok: false })
    expect(await speak('hello', { voice: 'nobody' })).toMatchObject({ ok: false })
    expect(await speak('x'.repeat(10_000))).toMatchObject({ ok: false })
    expect(await speak('hello')).toMatchObject({ ok: true })
  })
  it('answers in the order in which it was asked', async () => {
    const answers = await Promise.all(['one', 'one two three four five six', 'one'].map((text) => spoken(text)))
    expect(secondsOf(answers[1]!)).toBeGreaterThan(secondsOf(answers[0]!))
    expect(secondsOf(answers[2]!)).toBeCloseTo(secondsOf(answers[0]!), 1)
  })
  it('reads many languages in one line', async () =>
    expect(secondsOf(await spoken('hello olá مرحبا שלום привет γεια 今日は 你好 สวัสดี नमस्ते'))).toBeGreaterThan(0.5))
})

describe('an engine that misbehaves', () => {
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-engine-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))
  const made = (name: string, onLine: string, limits = {}) => {
    const path = join(folder, `${name}.mjs`)
    writeFileSync(
      path,
      `import { createInterface } from 'node:readline'\nconst say = (value) => process.stdout.write(JSON.stringify(value) + '\\n')\nsay({ ready: true })\nlet count = 0\nfor await (const line of createInterface({ input: process.stdin })) { const asked = JSON.parse(line); count += 1; ${onLine} }\n`,
    )
    return new EngineProcess([process.execPath, path], {
      deadlineMs: 900,
      memoryBytes: 300 * 1024 * 1024,
      idleMs: 60_000,
      ...limits,
    })
  }
  const good = "say({ rateHz: 8000, pcm: Buffer.alloc(1600, 1).toString('base64'), words: [] })"
  const ask = (engine: SpeechEngine, text: string) => engine.speak({ text, voice: 'v', rate: 165, pitch: 50 })
  it.each([
    ['hangs', `if (asked.text === 'bad') { for (;;); } else ${good}`, 'too long'],
    ['crashes', `if (asked.text === 'bad') process.exit(3); else ${good}`, 'stopped'],
    [
      'hoards',
      `if (asked.text === 'bad') { const kept = []; setInterval(() => kept.push(Buffer.alloc(40_000_000, 1)), 10) } else ${good}`,
      'too much memory',
    ],
    ['babbles', `if (asked.text === 'bad') process.stdout.write('not json\\n'); else ${good}`, 'something else'],
    [
      'says nothing',
      `if (asked.text === 'bad') say({ rateHz: 8000, pcm: '', words: [] }); else ${good}`,
      'said nothing',
    ],
  ])('%s: it is said, and the next text is spoken', async (name, onLine, words) => {
    const engine = made(name.replace(' ', '-'), onLine, name === 'hoards' ? { deadlineMs: 6000 } : {})
    const [bad, next] = await Promise.all([ask(engine, 'bad'), ask(engine, 'good')])
    expect([bad, next.ok && next.value.samples.length]).toEqual([
      { ok: false, error: expect.stringContaining(words) },
      800,
    ])
    engine.close()
  })
  it('that breaks is started again before anybody asks; one that breaks at once is left alone until somebody does', async () => {
    const starts = (name: string) =>
      existsSync(join(folder, name)) ? readFileSync(join(folder, name), 'utf8').length : 0
    const noted = (name: string) =>
      `if (count === 1) { const { appendFileSync } = await import('node:fs'); appendFileSync(${JSON.stringify(join(folder, name))}, 'x') }`
    const engine = made(
      'once',
      `${noted('once.txt')}; if (asked.text === 'bad') process.exit(3); else if (asked.ask === 'voices') say({ voices: [] }); else ${good}`,
    )
    await ask(engine, 'good')
    expect(await ask(engine, 'bad')).toMatchObject({ ok: false })
    await expect.poll(() => starts('once.txt')).toBe(2)
    const always = made('always', `${noted('always.txt')}; process.exit(3)`)
    expect(await ask(always, 'good')).toMatchObject({ ok: false })
    await new Promise((resolve) => setTimeout(resolve, 900))
    expect(starts('always.txt')).toBe(1)
    engine.close()
    always.close()
  })
  it('that does not start is said to', async () => {
    const engine = new EngineProcess([process.execPath, join(folder, 'nothing.mjs')], {
      deadlineMs: 2000,
      memoryBytes: 1e9,
      idleMs: 1000,
    })
    expect(await ask(engine, 'good')).toMatchObject({ ok: false })
  })
})
