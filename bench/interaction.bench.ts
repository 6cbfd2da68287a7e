// The editor: from a pointer event to the stage frame that shows it, while a part of the demo's box is dragged.
import { percentile, report, type Measured } from './report.ts'
import { withPlayerPage } from './playerPage.ts'

const measured: Measured[] = []
await withPlayerPage(async (_page, server, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript({ content: 'globalThis.__name ??= (named) => named' })
  const account = server.demo.accounts[0]
  await page.request.post(`${server.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  await page.goto(`${server.url}/boxes/${server.demo.boxes[0]?.id}`)
  for (const kind of ['Follow', 'Tip', 'Resub']) {
    await page.getByRole('button', { name: kind, exact: true }).click()
    const part = page.locator('[data-stage] [data-part=headline]')
    await part.waitFor({ state: 'visible' })
    await page.waitForTimeout(1200)
    const rect = await part.boundingBox()
    const [x, y] = [(rect?.x ?? 0) + (rect?.width ?? 0) / 2, (rect?.y ?? 0) + (rect?.height ?? 0) / 2]
    await page.mouse.move(x, y)
    // Without snapping: a part that is held by a guide does not move, and there would be nothing to wait for.
    await page.keyboard.down('Alt')
    await page.mouse.down()
    await page.evaluate(() => {
      const samples: number[] = []
      const stage = document.querySelector('[data-stage]')
      const moved = document.querySelector<HTMLElement>('[data-stage] [data-part=headline]')
      Object.assign(window, { samples })
      let askedMs: number | null = null
      let was = moved?.style.transform
      // The clock starts with the event itself (its time stamp), and stops in the frame in which the stage shows
      // another place.
      stage?.addEventListener('pointermove', (event) => (askedMs ??= event.timeStamp), { capture: true })
      const frame = () => {
        const now = document.querySelector<HTMLElement>('[data-stage] [data-part=headline]')?.style.transform
        if (askedMs !== null && now !== was) {
          samples.push(performance.now() - askedMs)
          askedMs = null
          was = now
        }
        requestAnimationFrame(frame)
      }
      requestAnimationFrame(frame)
    })
    for (let step = 1; step <= 120; step++) {
      await page.mouse.move(x + Math.sin(step / 9) * 90, y - step * 0.4)
      await page.waitForTimeout(12)
    }
    await page.mouse.up()
    await page.keyboard.up('Alt')
    const samples = await page.evaluate(() => (window as unknown as { samples: number[] }).samples)
    measured.push({
      what: `dragging the headline of ${kind}`,
      figures: {
        moves: samples.length,
        p50: `${percentile(samples, 0.5).toFixed(1)} ms`,
        p95: `${percentile(samples, 0.95).toFixed(1)} ms`,
        longest: `${Math.max(...samples).toFixed(1)} ms`,
      },
    })
  }
})
report('interaction', measured, [
  'From the event’s own time stamp to the start of the frame in which the stage shows it; aim: p95 under 32 ms.',
])
