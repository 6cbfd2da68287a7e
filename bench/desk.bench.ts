// What an open desk costs while 200 events come in every second: the server's time with and without one, the page's own, and what
// is sent to it. Beside it, in the same run, what telling the whole each time would cost: to put it into words, to read it and to send it.
import { readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import type { LiveMessage } from '../contract/channelLive.ts'
import { LiveFollower } from '../app/live/liveFollower.ts'
import { LightSender } from '../test/arrange/lightSender.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { followLive } from './followLive.ts'
import { report, type Measured } from './report.ts'

const seconds = 20
const everyMs = 100
const inOne = 20

const server = await TestServer.start()
const { demo } = server
const sender = new LightSender(demo)
const pause = (wait: number) => new Promise((resolve) => setTimeout(resolve, Math.max(0, wait)))

/** What the server's process has used of a processor so far, all its threads together, in milliseconds. */
function usedMs(): number {
  const stat = readFileSync(`/proc/${server.pid ?? 0}/stat`, 'utf8')
  const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
  return (Number(fields[11]) + Number(fields[12])) * 10
}

/** Sends 200 events a second for a while. @returns what the server used of one core meanwhile */
async function flood(forSeconds = seconds): Promise<number> {
  const startedMs = performance.now()
  const fromMs = usedMs()
  for (let sent = 0; sent < (forSeconds * 1000) / everyMs; sent++) {
    await sender.send(inOne)
    await pause(startedMs + (sent + 1) * everyMs - performance.now())
  }
  return (usedMs() - fromMs) / (performance.now() - startedMs)
}

const percent = (ratio: number) => `${(ratio * 100).toFixed(1)} %`

// The line is full, so that every event changes the log, too.
for (let sent = 0; sent < 40; sent++) await sender.send(100)
await flood(5)
const alone = await flood()

/** A desk without a screen: what it is told is counted. */
const heard = { bytes: 0, messages: 0, wholeMs: 0, wholeBytes: 0, deltaMs: 0 }
const follower = new LiveFollower()
const endLive = await followLive(demo, await cookieOf(demo), (message) => {
  heard.messages += 1
  heard.bytes += message.length
  const fromMs = performance.now()
  follower.take(message)
  heard.deltaMs += performance.now() - fromMs
  // The peer: the same moment, told whole.
  const wholeFromMs = performance.now()
  const whole = follower.whole() ?? ''
  JSON.parse(whole) as LiveMessage
  heard.wholeMs += performance.now() - wholeFromMs
  heard.wholeBytes += whole.length
})
await pause(1_000)
const streamed = await flood()
await endLive()

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const [account] = demo.accounts
await page.request.post(`${demo.url}/api/session`, { data: { email: account?.email, password: account?.password } })
await page.goto(`${demo.url}/desk`)
await page.getByText('waiting').first().waitFor()
await pause(3_000)
const session = await page.context().newCDPSession(page)
await session.send('Performance.enable')
const pageUsed = async () =>
  (await session.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration')?.value ?? NaN
const pageFrom = await pageUsed()
const shownFromMs = performance.now()
const shown = await flood()
const pageShare = ((await pageUsed()) - pageFrom) / ((performance.now() - shownFromMs) / 1000)
await browser.close()
sender.close()
await server.remove()

const perSecond = (bytes: number) => `${(bytes / 1024 / seconds).toFixed(0)} KiB / s`
const measured: Measured[] = [
  { what: 'the server, nobody looks', figures: { 'of a core': percent(alone) } },
  {
    what: 'the server, a desk is told',
    figures: {
      'of a core': percent(streamed),
      'the desk’s part': percent(streamed - alone),
      told: perSecond(heard.bytes),
    },
  },
  {
    what: 'the server, a desk in a browser',
    figures: { 'of a core': percent(shown), 'the desk’s part': percent(shown - alone) },
  },
  { what: 'the page’s main thread, drawing included', figures: { 'of a core': percent(pageShare) } },
  { what: 'taking what is told', figures: { 'of a core': percent(heard.deltaMs / 1000 / seconds) } },
  {
    what: '  peer: the whole each time, put into words and read',
    figures: { 'of a core': percent(heard.wholeMs / 1000 / seconds), told: perSecond(heard.wholeBytes) },
  },
]
report('desk', measured, [
  `200 events a second in batches of ${inOne} for ${seconds} s; the line is full, so that every event ends another one. ${heard.messages} messages.`,
])
process.exit(0)
