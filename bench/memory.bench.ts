// What a source page holds after a long evening: every case of the demo's boxes played again and again on the real page, with five
// hundred different emotes, its socket led from here. The heap is read after garbage was collected, twice over; what is decoded is
// seen in the memory of the processes that draw pages.
import { readFileSync } from 'node:fs'
import { chromium, type CDPSession, type Page } from '@playwright/test'
import sharp from 'sharp'
import type { FromSource, ToSource } from '../contract/sourceMessages.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'
import { sampleFor } from '../core/response/sampleFor.ts'
import { resolveScore } from '../core/score/resolve.ts'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { readBox } from '../test/arrange/playerHarness.ts'
import { TestServer, type DemoFile } from '../test/arrange/server.ts'
import { report, type Measured } from './report.ts'

const option = (name: string, usual: number) =>
  Number(process.argv.find((argument) => argument.startsWith(`--${name}=`))?.split('=')[1] ?? usual)
const plays = option('plays', 2000)
const emoteCount = 500
const emotesEach = 6
/** A play is shown for so long: its end is what is seen, and everything of it was loaded. */
const shownMs = 120
const reads = 20

/** An event whose viewer wrote with emotes of the many. */
function withEmotes(event: CanonicalEvent, url: (emote: number) => string, play: number): CanonicalEvent {
  if (!event.data.message) return event
  const words = Array.from({ length: emotesEach }, (_, at) => `e${(play * emotesEach + at) % emoteCount}`)
  let from = 0
  const emotes = words.map((word) => {
    const emote = { from, to: from + word.length, url: url(Number(word.slice(1))) }
    from += word.length + 1
    return emote
  })
  return { ...event, data: { ...event.data, message: { text: words.join(' '), emotes } } } as CanonicalEvent
}

/** Every case of every box, as it is played with a sample. @returns makes the score of the nth play */
async function casesOf(page: Page, demo: DemoFile): Promise<(play: number) => ResolvedScore> {
  const channel = { locale: 'en-IE', timeZone: 'Europe/Lisbon', currency: 'EUR', rates: {} }
  const made: ((play: number) => ResolvedScore)[] = []
  for (const index of demo.boxes.keys()) {
    const { document, media } = await readBox(page, demo, index)
    const { canvas, look, zones } = document
    for (const alert of document.alerts)
      for (const variation of alert.variations)
        made.push((play) => {
          const sample = { viewer: 'everyday' as const, kind: null, choice: null }
          const event = sampleFor(alert, variation, sample, channel as never, Date.now()) ?? sampleEvent('follow')
          const result = resolveScore(variation.composition, {
            ...{ canvas, look, zones, locale: 'en-IE', media, offer: alert.offer },
            event: withEmotes(event, (emote) => `${demo.url}/emotes-of-bench/${emote}.png`, play),
          })
          if (!result.ok) throw new Error(JSON.stringify(result.error))
          return result.value
        })
  }
  return (play) => {
    const make = made[play % made.length]
    if (!make) throw new Error('The demo has no cases')
    return make(play)
  }
}

/** Leads a source page in the place of the server: shows plays one after another, each near its end. */
async function leadSource(page: Page, sourceUrl: string) {
  let send: (message: ToSource) => void = () => undefined
  let hear: (message: FromSource) => void = () => undefined
  const greeted = new Promise<void>((resolve) => {
    hear = ({ type }) => type === 'hello' && resolve()
  })
  await page.routeWebSocket(/\/link$/, (socket) => {
    send = (message) => socket.send(JSON.stringify(message))
    socket.onMessage((text) => hear(JSON.parse(String(text)) as FromSource))
  })
  await page.goto(sourceUrl)
  await greeted
  const heard = (type: FromSource['type'], then: () => void) =>
    new Promise<void>((resolve) => {
      hear = (message) => message.type === type && resolve()
      then()
    })
  return async (score: ResolvedScore, play: number) => {
    const playId = `play-${play}`
    await heard('ready', () =>
      send({ type: 'prepare', play: { playId, eventId: playId, variationName: 'Everyday', score } }),
    )
    await heard('done', () => send({ type: 'start', playId, offsetMs: Math.max(0, score.lengthMs - shownMs) }))
  }
}

interface Held {
  heapMb: number
  processMb: number
}

async function heldBy(session: CDPSession, ofBrowser: CDPSession): Promise<Held> {
  for (let round = 0; round < 2; round++) await session.send('HeapProfiler.collectGarbage')
  const { usedSize } = await session.send('Runtime.getHeapUsage')
  const { processInfo } = await ofBrowser.send('SystemInfo.getProcessInfo')
  const pages = processInfo
    .filter(({ type }) => type === 'renderer')
    .reduce((sum, { id }) => sum + Number(readFileSync(`/proc/${id}/statm`, 'utf8').split(' ')[1]), 0)
  return { heapMb: usedSize / 1e6, processMb: (pages * 4096) / 1e6 }
}

/** By how much it grows in a thousand plays: the straight line that fits best. */
function slope(points: readonly { plays: number; mb: number }[]): number {
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  const [x, y] = [mean(points.map((point) => point.plays)), mean(points.map((point) => point.mb))]
  const over = points.reduce((sum, point) => sum + (point.plays - x) * (point.mb - y), 0)
  return (1000 * over) / points.reduce((sum, point) => sum + (point.plays - x) ** 2, 0)
}

const mb = (value: number) => `${value.toFixed(1)} MB`

const server = await TestServer.start()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--autoplay-policy=no-user-gesture-required', '--js-flags=--expose-gc'],
})
const measured: Measured[] = []
try {
  const { demo } = server
  const context = await browser.newContext({ viewport: { width: 1920, height: 1080 } })
  const page = await context.newPage()
  const account = demo.accounts[0]
  await page.request.post(`${demo.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  await page.route('**/emotes-of-bench/*.png', async (route) => {
    const seed = Number(/(\d+)\.png/.exec(route.request().url())?.[1])
    const { r, g, b } = { r: (seed * 37) % 256, g: (seed * 91) % 256, b: (seed * 53) % 256 }
    const picture = sharp({ create: { width: 112, height: 112, channels: 4, background: { r, g, b, alpha: 0.9 } } })
    await route.fulfill({ contentType: 'image/png', body: await picture.png().toBuffer() })
  })
  const scoreOf = await casesOf(page, demo)
  const show = await leadSource(page, demo.boxes[0]?.sourceUrl ?? '')
  const session = await context.newCDPSession(page)
  const ofBrowser = await browser.newBrowserCDPSession()
  const held: (Held & { plays: number })[] = []
  for (let play = 0; play < plays; play++) {
    await show(scoreOf(play), play)
    if ((play + 1) % Math.ceil(plays / reads) === 0)
      held.push({ plays: play + 1, ...(await heldBy(session, ofBrowser)) })
  }
  const [first, last] = [held[0], held.at(-1)]
  // The first plays fill the rooms for what is at hand.
  const settled = held.slice(Math.floor(held.length / 2))
  for (const [what, key] of [
    ['heap of scripts', 'heapMb'],
    ['what draws pages, decoded pictures and sounds with it', 'processMb'],
  ] as const)
    measured.push({
      what,
      figures: {
        [`after ${first?.plays} plays`]: mb(first?.[key] ?? NaN),
        [`after ${last?.plays}`]: mb(last?.[key] ?? NaN),
        'slope of the second half, per 1,000 plays': mb(
          slope(settled.map((each) => ({ plays: each.plays, mb: each[key] }))),
        ),
      },
    })
} finally {
  await browser.close()
  await server.remove()
}
report('memory', measured)
