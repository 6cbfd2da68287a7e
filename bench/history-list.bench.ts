// The list of the history with 100,000 rows: how long every frame takes while somebody scrolls through it, and while it is read to
// its end, page after page; beside it, on the same page, as many plain rows as a browser bears, all of them in the document.
import type { HistoryEntryView, HistoryView } from '../contract/history.ts'
import { historyPageMost } from '../contract/history.ts'
import { eventKinds } from '../core/events/kinds.ts'
import { frameIntervals } from './frameIntervals.ts'
import { withPlayerPage } from './playerPage.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const rowsInAll = Number(process.env.ROWS ?? 100_000)
const plainRows = 20_000
const scrollsForMs = 8_000
const newestAtMs = Date.UTC(2026, 10, 24, 22)

const entryOf = (seq: number): HistoryEntryView => ({
  ...{
    seq,
    eventId: `event-${seq}`,
    kind: eventKinds[seq % eventKinds.length] ?? 'follow',
    name: `viewer ${seq % 977}`,
  },
  ...{ detail: seq % 3 === 0 ? 'says that the rye was good tonight' : '', viewerId: `v${seq % 977}`, isTest: false },
  ...{ source: 'feed:hearth', from: 'Hearth', occurredAtMs: newestAtMs - (rowsInAll - seq) * 20_000 },
  receivedAtMs: newestAtMs - (rowsInAll - seq) * 20_000,
  ends: [
    ...[{ boxId: 'main', boxName: 'Main', outcome: 'played', reason: '', variationName: 'Usual' } as const],
    ...(seq % 5 === 0
      ? [
          {
            boxId: 'side',
            boxName: 'Side',
            outcome: 'expired',
            reason: 'waited too long',
            variationName: 'Usual',
          } as const,
        ]
      : []),
  ],
})
function pageOf(before: number | null, limit: number): HistoryView {
  const from = before === null ? rowsInAll : before - 1
  const entries = Array.from({ length: Math.min(limit, from) }, (_, at) => entryOf(from - at))
  return { entries, nextBefore: from > limit ? from - limit + 1 : null }
}

/** Scrolls as a finger on a pad does, down and up again, so many pixels a frame. */
const scrolling = (pixels: number) => `
  const list = document.querySelector('[data-scrolled]')
  let goes = true
  let by = ${pixels}
  const step = () => {
    const was = list.scrollTop
    list.scrollTop += by
    if (list.scrollTop === was) by = -by
    if (goes) requestAnimationFrame(step)
  }
  requestAnimationFrame(step)
  return () => (goes = false)`

function rowOf(what: string, intervals: readonly number[]): Measured {
  const late = intervals.filter((each) => each > 25).length
  return {
    what,
    figures: {
      'frames a second': ((intervals.length * 1000) / intervals.reduce((sum, each) => sum + each, 0)).toFixed(1),
      p50: ms(percentile(intervals, 0.5)),
      p99: ms(percentile(intervals, 0.99)),
      longest: ms(Math.max(...intervals)),
      'over 25 ms': `${late} of ${intervals.length}`,
    },
  }
}

const measured: Measured[] = []
await withPlayerPage(async (_page, server, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript({ content: 'globalThis.__name ??= (named) => named' })
  const account = server.demo.accounts[0]
  await page.request.post(`${server.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  // The rows are made here: what a page costs the server is measured by \`history\`.
  await page.route('**/api/history?*', (route) => {
    const asked = new URL(route.request().url()).searchParams
    const before = asked.get('before')
    const limit = Math.min(historyPageMost, Number(asked.get('limit')))
    return route.fulfill({ json: pageOf(before === null ? null : Number(before), limit) })
  })
  await page.goto(`${server.url}/history`)
  await page.locator('ol li[aria-posinset="1"]').waitFor()
  await page.evaluate(() => {
    for (const list of document.querySelectorAll('ol'))
      if (list.querySelector('li[aria-posinset]')) list.parentElement?.setAttribute('data-scrolled', '')
  })

  const reading = await page.evaluate(async () => {
    const list = document.querySelector('[data-scrolled]')
    const intervals: number[] = []
    const fromMs = performance.now()
    const isWhole = () => list?.querySelector('li[aria-setsize="-1"]') === null
    let last = fromMs
    await new Promise<void>((resolve, reject) => {
      const frame = (now: number) => {
        intervals.push(now - last)
        last = now
        if (list) list.scrollTop = list.scrollHeight
        if (isWhole()) resolve()
        else if (now - fromMs > 300_000) reject(new Error('the end was not reached in five minutes'))
        else requestAnimationFrame(frame)
      }
      requestAnimationFrame(frame)
    })
    return { intervals, tookMs: performance.now() - fromMs }
  })
  const shown = await page.locator('[data-scrolled] li').count()
  measured.push({
    what: `read to the end of ${rowsInAll.toLocaleString('en')}, as fast as pages come`,
    figures: {
      ...rowOf('', reading.intervals).figures,
      'the whole': ms(reading.tookMs),
      'rows in the document': shown,
    },
  })
  for (const pixels of [40, 120, 400, 20_000])
    measured.push(
      rowOf(
        `scrolled by ${pixels.toLocaleString('en')} pixels a frame`,
        await frameIntervals(page, scrolling(pixels), scrollsForMs),
      ),
    )
  await page.evaluate((count) => {
    const list = document.querySelector('[data-scrolled]')
    const row = list?.querySelector('li')
    if (!list || !row) return
    list.removeAttribute('data-scrolled')
    const plain = document.createElement('div')
    plain.setAttribute('data-scrolled', '')
    plain.style.cssText = 'height: 500px; overflow-y: auto'
    for (let at = 0; at < count; at++) {
      const copy = row.cloneNode(true) as HTMLElement
      copy.style.cssText = 'height: 52px'
      copy.className = 'flex flex-col justify-end'
      plain.append(copy)
    }
    list.replaceWith(plain)
  }, plainRows)
  for (const pixels of [40, 400])
    measured.push(
      rowOf(
        `${plainRows.toLocaleString('en')} plain rows, scrolled by ${pixels} pixels a frame`,
        await frameIntervals(page, scrolling(pixels), scrollsForMs),
      ),
    )
})
report('history-list', measured)
