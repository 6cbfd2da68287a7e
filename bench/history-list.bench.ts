// A history of a hundred thousand events: brought back into an empty channel, saved again, and scrolled through to its end on the real page:
// frames while it is scrolled, and how long until all of it is there. Beside it, in the same run, a bare list of as many lines.
import { chromium, type Page } from '@playwright/test'
import { TestServer } from '../test/arrange/server.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const events = 100_000
const server = await TestServer.start({ THUNDERCREST_DEMO: '0' })
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.request.post(`${server.url}/api/welcome`, {
  data: {
    ...{ code: /with the code (\S+)/.exec(server.printed)?.[1] ?? '', channelName: 'Lantern Loaf' },
    ...{ personName: 'Odalys Fenn', email: 'odalys@lantern-loaf.example', password: 'crumbs and more crumbs' },
  },
})
const lines = Array.from({ length: events }, (_, n) => {
  const at = new Date(Date.UTC(2026, 0, 1) + n * 300_000).toISOString()
  const viewer = { id: `v${n % 9_973}`, name: `guest ${n % 9_973}` }
  const isTip = n % 7 === 3
  return JSON.stringify({
    ...{ specversion: '1.0', id: `e-${n}`, source: 'feed:old', time: at, receivedtime: at },
    type: `thundercrest.event.${isTip ? 'tip' : 'follow'}.v1`,
    data: isTip ? { viewer, amountMinor: 500, currency: 'EUR', message: { text: `for loaf ${n}` } } : { viewer },
  })
})
const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
const timed = async (act: () => Promise<unknown>) => {
  const fromMs = performance.now()
  await act()
  return performance.now() - fromMs
}
const broughtMs = await timed(async () => {
  const answer = await fetch(`${server.url}/api/history`, {
    method: 'POST',
    headers: { cookie, origin: server.url, 'content-type': 'application/x-ndjson' },
    body: `${lines.join('\n')}\n`,
  })
  if (answer.status !== 200) throw new Error(await answer.text())
})
const savedMs = await timed(() =>
  fetch(`${server.url}/api/history?as=ndjson`, { headers: { cookie } }).then((answer) => answer.text()),
)

/** Scrolls a list by a screen at a time until it ends. @returns how long each frame took, and all of it */
const scrollThrough = (on: Page, selector: string) =>
  on.evaluate(async (which) => {
    const list = document.querySelector(which)
    if (!(list instanceof HTMLElement)) throw new Error('there is no list')
    const frames: number[] = []
    const fromMs = performance.now()
    let lastMs = fromMs
    let still = 0
    // It grows while it is scrolled: it has ended when nothing has come for two seconds.
    while (still < 120) {
      const before = list.scrollTop
      list.scrollTop += list.clientHeight * 2
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const nowMs = performance.now()
      if (list.scrollTop > before) {
        frames.push(nowMs - lastMs)
        still = 0
      } else still += 1
      lastMs = nowMs
    }
    return { frames, tookMs: performance.now() - fromMs - 2_000 }
  }, selector)
const measured: Measured[] = [
  { what: `${events.toLocaleString('en')} events brought back`, figures: { 'in all': ms(broughtMs) } },
  { what: 'saved as events', figures: { 'in all': ms(savedMs) } },
]
const rowOf = (what: string, { frames, tookMs }: { frames: number[]; tookMs: number }): Measured => ({
  what,
  figures: {
    'frame p50': ms(percentile(frames, 0.5)),
    p95: ms(percentile(frames, 0.95)),
    worst: ms(Math.max(...frames)),
    'in all': ms(tookMs),
  },
})
await page.goto(`${server.url}/history`)
await page.getByText('500 events read').waitFor()
measured.push(
  rowOf(
    'scrolled to its end, two screens a frame, read meanwhile',
    await scrollThrough(page, '[aria-label^="What happened"]'),
  ),
)
await page.getByText(`${events} events, that is all.`).waitFor()
await page.evaluate(() => document.querySelector('[aria-label^="What happened"]')?.scrollTo(0, 0))
measured.push(rowOf('once more, all of it read', await scrollThrough(page, '[aria-label^="What happened"]')))

await page.setContent(
  `<div id="list" style="height:600px;overflow:auto">${Array.from({ length: events }, (_, n) => `<p style="height:52px;margin:0">guest ${n}</p>`).join('')}</div>`,
)
measured.push(rowOf('  peer: a bare list of as many lines, all of them there', await scrollThrough(page, '#list')))
await browser.close()
await server.remove()
report('history-list', measured, ['Chromium without a GPU, 1280 × 800. A frame of 60 a second is 16.7 ms.'])
process.exit(0)
