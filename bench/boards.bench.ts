// From a chat line that was accepted to its letters on a board, beside a bare page that a bare broadcast writes to; and what two
// hundred lines a second cost.
import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { chromium, type Page } from '@playwright/test'
import WebSocket from 'ws'
import { deliver } from '../test/arrange/cedar.ts'
import { TestServer } from '../test/arrange/server.ts'
import { frameIntervals } from './frameIntervals.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const rounds = 60
const pauseMs = 250
const linesPerSecond = 200
const inOne = 20
const asked = process.argv.find((argument) => argument.startsWith('--seconds='))
const floodSeconds = asked ? Number(asked.split('=')[1]) : 300

const pause = (waitMs: number) => new Promise((resolve) => setTimeout(resolve, waitMs))
const server = await TestServer.start()
const { demo } = server
const board = demo.boards[0]?.sourceUrl ?? ''
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--enable-precise-memory-info', '--js-flags=--expose-gc'],
})
const context = await browser.newContext({ bypassCSP: true, viewport: { width: 1920, height: 1080 } })

let said = 0
/** Crockford letters only: an id as the platform has them. */
const ulid = () => `01HZ${String(said++).padStart(22, '0')}`
const entry = (words: string) => ({
  ...{ id: ulid(), topic: 'chat.line', moment: new Date().toISOString() },
  person: { uid: `al-${said % 500}`, handle: ['pip_rye', '毛毛面包', 'نورا_خبز', '🥐wisp', '<b>bold</b>'][said % 5] },
  detail: { pieces: [{ words }] },
})
const say = (...lines: string[]) => deliver(demo, JSON.stringify({ entries: lines.map(entry) }), { platform: 'alder' })

/** Tells by the wall clock when words are in the document and drawn: in the frame after. Both run on one machine. */
const watchWords = `
  globalThis.__name = (named) => named
  globalThis.drawnAt = new Map()
  new MutationObserver((records) => {
    for (const { addedNodes } of records) for (const node of addedNodes) {
      const word = /measured-\\d+/.exec(node.textContent ?? '')?.[0]
      if (word && !node.closest?.('[aria-hidden]')) requestAnimationFrame(() => globalThis.drawnAt.set(word, Date.now()))
    }
  }).observe(document, { childList: true, subtree: true })`

async function measure(page: Page, send: (words: string) => Promise<unknown>): Promise<number[]> {
  const took: number[] = []
  for (let round = -5; round < rounds; round++) {
    const words = `measured-${said++}`
    await send(words)
    const acceptedMs = Date.now()
    await page.waitForFunction(
      (word) => (globalThis as never as { drawnAt: Map<string, number> }).drawnAt.has(word),
      words,
    )
    const drawnMs = await page.evaluate(
      (word) => (globalThis as never as { drawnAt: Map<string, number> }).drawnAt.get(word) ?? 0,
      words,
    )
    if (round >= 0) took.push(Math.max(0, drawnMs - acceptedMs))
    await pause(pauseMs)
  }
  return took
}
async function open(url: string): Promise<Page> {
  const page = await context.newPage()
  await page.addInitScript(watchWords)
  await page.goto(url)
  return page
}
/** A page without a browser: it listens and says that it is there. */
async function openDeaf(): Promise<WebSocket> {
  const socket = new WebSocket(`${board.replace('http', 'ws')}/link`)
  await new Promise((resolve, reject) => socket.once('open', resolve).once('error', reject))
  socket.on('message', (data: Buffer) => {
    const sentAt = /"type":"ping","sentAtMs":([\d.]+)/.exec(data.subarray(0, 100).toString())?.[1]
    if (sentAt) socket.send(`{"type":"pong","sentAtMs":${sentAt}}`)
  })
  socket.send(JSON.stringify({ type: 'hello', shownPlayIds: [], sound: 'on', widthPx: 1920, heightPx: 1080 }))
  return socket
}
const figures = (samples: readonly number[]) => ({
  p50: ms(percentile(samples, 0.5)),
  p99: ms(percentile(samples, 0.99)),
})
const measured: Measured[] = []

const page = await open(board)
await page.waitForSelector('html[data-state=showing]', { state: 'attached' })
measured.push({ what: '1 board: chat line accepted (202) → drawn', figures: figures(await measure(page, say)) })
const others = await Promise.all(Array.from({ length: 49 }, openDeaf))
await pause(1000)
measured.push({ what: '50 boards: chat line accepted (202) → drawn', figures: figures(await measure(page, say)) })

const bare = fork(fileURLToPath(new URL('./bareBroadcast.ts', import.meta.url)), { execArgv: ['--import', 'tsx'] })
const port = await new Promise<number>((resolve) => bare.once('message', (message) => resolve(Number(message))))
const plain = await open(`${demo.url}/healthz`)
await plain.evaluate(
  (at) =>
    new Promise((resolve) => {
      const socket = new WebSocket(`ws://127.0.0.1:${at}/`)
      socket.addEventListener('open', resolve)
      socket.addEventListener('message', ({ data }) => {
        const line = document.createElement('p')
        line.textContent = String(data)
        document.body.append(line)
      })
    }),
  port,
)
const toBare = (words: string) =>
  fetch(`http://127.0.0.1:${port}/`, { method: 'POST', body: words }).then((answer) => answer.text())
measured.push({ what: 'bare broadcast to a bare page: sent → drawn', figures: figures(await measure(plain, toBare)) })
await plain.close()
bare.kill()

// What one page costs while chat rushes by: frames, and whether its memory comes to rest.
await page.bringToFront()
const client = await context.newCDPSession(page)
async function heapMiB(): Promise<number> {
  await client.send('HeapProfiler.collectGarbage')
  const { usedSize } = await client.send('Runtime.getHeapUsage')
  return usedSize / 2 ** 20
}
const atRest = await frameIntervals(page, 'return () => {}', 5000)
const before = await heapMiB()
let isOver = false
let refused = 0
const flooding = (async () => {
  const everyMs = (1000 * inOne) / linesPerSecond
  for (let nextMs = Date.now(); !isOver; nextMs += everyMs) {
    await pause(Math.max(0, nextMs - Date.now()))
    const answer = await say(
      ...Array.from({ length: inOne }, (_, at) => `line ${said}-${at} of a chat that rushes by 🥐`),
    )
    if (answer.status !== 202) refused += 1
  }
})()
const quarters: number[] = []
const intervals: number[] = []
for (let quarter = 0; quarter < 4; quarter++) {
  intervals.push(...(await frameIntervals(page, 'return () => {}', (floodSeconds * 1000) / 4)))
  quarters.push(await heapMiB())
}
isOver = true
await flooding
const perSecond = (found: readonly number[]) =>
  (1000 / (found.reduce((sum, each) => sum + each, 0) / found.length)).toFixed(1)
measured.push(
  {
    what: `${linesPerSecond} chat lines a second for ${floodSeconds} s: frames a second of the page`,
    figures: {
      mean: perSecond(intervals),
      'longest 1 %': ms(percentile(intervals, 0.99)),
      'without them': perSecond(atRest),
    },
  },
  {
    what: 'its heap, MiB',
    figures: { before: before.toFixed(1), 'after each quarter': quarters.map((each) => each.toFixed(1)).join(', ') },
  },
  { what: 'deliveries that were refused meanwhile', figures: { deliveries: refused } },
)
for (const socket of others) socket.terminate()
await browser.close()
await server.remove()
report('boards', measured)
process.exit(0)
