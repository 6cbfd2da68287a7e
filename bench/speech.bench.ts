// Reading texts aloud: how long until the voice is there, how much faster than it will be heard, and what its process
// needs in memory; that nothing is heard for longer than it may be; and how long a voice goes on after somebody at the desk has silenced it.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import { chromium, type Page } from '@playwright/test'
import { randomAt } from '../core/random.ts'
import { cleanSpeech } from '../core/speech/cleanSpeech.ts'
import { readyRules, strictnesses } from '../core/speech/rules.ts'
import { secondsOf } from '../core/speech/secondsOf.ts'
import { usualVoice } from '../core/speech/voiceChoice.ts'
import { EngineProcess } from '../server/speech/engine.ts'
import { SpeechEngines } from '../server/speech/engines.ts'
import { Speaker } from '../server/speech/speaker.ts'
import { SpeechCache } from '../server/speech/speechCache.ts'
import { blockedFor } from '../server/speech/wordLists.ts'
import { recordSpeech } from '../server/speech/recordSpeech.ts'
import { boxOnAir } from '../test/arrange/boxOnAir.ts'
import { untilState } from '../test/arrange/fixtures.ts'
import { TestServer } from '../test/arrange/server.ts'
import { spokenAlert, tip } from '../test/arrange/voices.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const sentence =
  'good evening from the harbour, the rye looks better than ever and the kettle is on already, so please save me two slices of it '
const runs = 7
const median = (times: readonly number[]) => percentile(times, 0.5)
const measured: Measured[] = []

for (const { name, voice } of [
  { name: 'espeak-ng', voice: 'gmw/en' },
  { name: 'flite', voice: 'slt' },
]) {
  const engine = new EngineProcess([
    process.execPath,
    fileURLToPath(new URL(`../engines/${name}/main.mjs`, import.meta.url)),
  ])
  const ask = async (text: string) => {
    const startedMs = performance.now()
    const spoken = await engine.speak({ text, voice, rate: 165, pitch: 50 })
    if (!spoken.ok) throw new Error(spoken.error)
    const tookMs = performance.now() - startedMs
    await recordSpeech(text, spoken.value)
    return {
      tookMs,
      keptMs: performance.now() - startedMs - tookMs,
      heardMs: (spoken.value.samples.length * 1000) / spoken.value.rateHz,
    }
  }
  const first = await ask('hello')
  measured.push({ what: `${name}, the first word after its program is started`, figures: { took: ms(first.tookMs) } })
  for (const letters of [10, 100, 300]) {
    const text = sentence.repeat(3).slice(0, letters).trim()
    const times = []
    for (let run = 0; run < runs; run++) times.push(await ask(text))
    const [tookMs, keptMs, heardMs] = [
      median(times.map((each) => each.tookMs)),
      median(times.map((each) => each.keptMs)),
      median(times.map((each) => each.heardMs)),
    ]
    measured.push({
      what: `${name}, ${letters} letters`,
      figures: {
        took: ms(tookMs),
        'measured and written': ms(keptMs),
        heard: `${(heardMs / 1000).toFixed(2)} s`,
        'faster than heard': `${Math.round(heardMs / tookMs)} ×`,
      },
    })
  }
  // As beside a game and an encoder: twice as many programs that never rest as there are processors.
  const busy = Array.from({ length: 2 * availableParallelism() }, () =>
    spawn(process.execPath, ['-e', 'for (;;);'], { stdio: 'ignore' }),
  )
  await setTimeout(1000)
  const underLoad = []
  for (let run = 0; run < runs; run++) underLoad.push((await ask(sentence.slice(0, 100))).tookMs)
  for (const each of busy) each.kill('SIGKILL')
  measured.push({
    what: `${name}, 100 letters while the machine is busy`,
    figures: { took: ms(median(underLoad)), worst: ms(Math.max(...underLoad)) },
  })
  measured.push({
    what: `${name}, memory of its program at most`,
    figures: { memory: `${Math.round(engine.peakBytes / 1024 / 1024)} MiB` },
  })
  engine.close()
}

/** Ten thousand texts that try to be heard for long, by chance and the same ones in every run. */
const hostilePieces = [
  'bcdfghjklmnp ',
  '4x7k9q2w8e ',
  'MDCLXVIII ',
  '一二三四五六七八九',
  '&#x41;&amp;',
  'w w w ',
  '8h3k-9d2j-4f7s ',
  '{}[]<>*&^%$#@ ',
  'supercalifragilistic',
  'zwölf ',
  'ha',
  'x²√∑∞ ',
  '½¾⅜ ',
  'nine million ',
  '🔥🥐',
  'krkrkrkr ',
  '٣٤٥ ',
  'https ',
  'ß',
  'Ω',
  'one and ',
  '...!?',
] as const
let draws = 0
const hostile = Array.from({ length: 10_000 }, () => {
  const pieces = Array.from({ length: 4 + Math.floor(randomAt(11, draws++) * 60) }, () => {
    const piece = hostilePieces[Math.floor(randomAt(11, draws++) * hostilePieces.length)] ?? ''
    return piece.repeat(1 + Math.floor(randomAt(11, draws++) * 4))
  })
  return pieces.join('')
})
const folder = mkdtempSync(join(tmpdir(), 'thundercrest-speech-'))
const reader = new EngineProcess([
  process.execPath,
  fileURLToPath(new URL('../engines/espeak-ng/main.mjs', import.meta.url)),
])
const speaker = new Speaker(new SpeechEngines(new Map([['espeak-ng', reader]])), new SpeechCache(folder, 'bench'), {
  guess: async (texts, own) => texts.map(() => own),
})
const spokenMost = 60
for (const level of strictnesses) {
  const rules = readyRules[level]
  const cleaned = hostile.map((text) => cleanSpeech(text, rules, blockedFor(rules, ['en'])))
  const longest = cleaned
    .filter(({ spoken }) => spoken !== '')
    .sort((a, b) => secondsOf(b.spoken) - secondsOf(a.spoken))
    .slice(0, spokenMost)
  const heardMs: number[] = []
  let isCut = 0
  for (const each of longest) {
    const { made, cut } = await speaker.speakWithin('message', { ...each, voice: usualVoice }, rules)
    if (made.ok) heardMs.push(made.value.durationMs)
    if (cut.length > 0) isCut += 1
  }
  measured.push({
    what: `${level}: of 10,000 hostile texts the ${longest.length} that would take longest`,
    figures: {
      heard: `${(Math.max(...heardMs) / 1000).toFixed(2)} s`,
      limit: `${rules.maxSeconds} s`,
      'cut by the measured sound': isCut,
    },
  })
}
reader.close()
rmSync(folder, { recursive: true, force: true })

/** Tells when each stretch of 128 samples that leaves the page is over, and how loud it was. */
async function watchOutput(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: [number, number][] = []
    Object.assign(window, { heard })
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode
    AudioNode.prototype.connect = function (this: AudioNode, target: AudioNode | AudioParam, ...rest: number[]) {
      if (target instanceof AudioDestinationNode) {
        const meter = target.context.createAnalyser()
        meter.fftSize = 256
        const samples = new Float32Array(256)
        connect.call(this, meter)
        setInterval(() => {
          meter.getFloatTimeDomainData(samples)
          heard.push([Date.now(), Math.max(...samples.map(Math.abs))])
        }, 4)
      }
      return (connect as (...all: unknown[]) => AudioNode).call(this, target, ...rest)
    } as unknown as typeof AudioNode.prototype.connect
  })
}

const server = await TestServer.start()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--autoplay-policy=no-user-gesture-required'],
})
try {
  const { demo } = server
  const desk = await browser.newPage()
  await desk.request.post(`${demo.url}/api/session`, {
    data: { email: demo.accounts[0]?.email, password: demo.accounts[0]?.password },
  })
  await desk.request.put(`${demo.url}/api/channel/speech`, {
    data: {
      ...((await (await desk.request.get(`${demo.url}/api/channel/speech`)).json()) as { settings: object }).settings,
      limits: { leastMinor: 0, whose: 'everyone', perViewer: 0, perViewerMinutes: 10, repeatMinutes: 0 },
    },
  })
  const { id, sourceUrl } = await boxOnAir(desk, demo, 'Silence', [spokenAlert()])
  const source = await browser.newPage()
  await watchOutput(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await desk.goto(`${demo.url}/desk?box=${id}`)
  const silencedMs: number[] = []
  for (let run = 0; run < 12; run++) {
    await tip(desk, demo, 'Juno Flint', `${'the kettle and the rye and '.repeat(6)} ${run}`)
    await untilState(source, 'playing')
    await source.waitForTimeout(1500 + run * 37)
    const pressedMs = await desk.evaluate(
      () =>
        new Promise<number>((resolve) => {
          addEventListener('keydown', () => resolve(Date.now()), { once: true, capture: true })
          dispatchEvent(new Event('ready-to-press'))
          window.setTimeout(
            () =>
              void document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'v', code: 'KeyV', bubbles: true })),
            30,
          )
        }),
    )
    await source.waitForTimeout(900)
    const heard = await source.evaluate(() => (window as unknown as { heard: [number, number][] }).heard.splice(0))
    const lastMs = heard.findLast(([atMs, loud]) => atMs >= pressedMs - 200 && loud > 0.002)?.[0] ?? pressedMs
    silencedMs.push(Math.max(0, lastMs - pressedMs))
    await desk.keyboard.press('s')
    await untilState(source, 'waiting')
  }
  measured.push({
    what: 'from the key at the desk until nothing is heard on the source page (12 times)',
    figures: { p50: ms(percentile(silencedMs, 0.5)), worst: ms(Math.max(...silencedMs)) },
  })
} finally {
  await browser.close()
  await server.remove()
}
report('speech', measured, ['A text comes whole: what it took is how long until its first sample can be heard.'])
process.exit(0)
