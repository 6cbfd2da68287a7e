// A proof sheet of 116 cases with eight samples each, drawn by the page as it stands for everybody: pictures a second, the longest
// that the page was kept waiting, and the frames that are looked through for flashes. Beside it, on the same page, a library that
// takes pictures of any page, of the same stage.
import { build } from 'esbuild'
import type { BoxDocument } from '../core/composition/box.ts'
import { restingMs } from '../core/score/restingMs.ts'
import { readBox, resolveAlert } from '../test/arrange/playerHarness.ts'
import { withPlayerPage } from './playerPage.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const wantedCases = Number(process.env.CASES ?? 116)
const peerPictures = 24

/** The demo's box with more cases: those it has, over and over. */
function withCases({ alerts, ...rest }: BoxDocument): BoxDocument {
  const more = structuredClone(alerts)
  const count = () => more.reduce((sum, { variations }) => sum + variations.length, 0)
  for (let round = 1; count() < wantedCases; round++)
    for (const [index, { variations }] of alerts.entries())
      for (const each of variations) {
        if (count() >= wantedCases) break
        // Only run sheets play a copy: no rule has to be told from another.
        const { isForSeveral: _several, ...copied } = structuredClone(each)
        more[index]?.variations.push({
          ...copied,
          id: `${each.id}-${round}`.slice(-60),
          isCalled: true,
          rule: null,
          share: null,
        })
      }
  return { ...rest, alerts: more }
}

const watching = `
  globalThis.waits = []
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) globalThis.waits.push(entry.duration)
  }).observe({ entryTypes: ['longtask'] })
  globalThis.__name ??= (named) => named`

const waitsOf = (waits: readonly number[]) => ({
  'longest wait': waits.length === 0 ? 'under 50 ms' : ms(Math.max(...waits)),
  'over 50 ms': waits.length,
})

const measured: Measured[] = []
await withPlayerPage(async (_page, server, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript({ content: watching })
  const account = server.demo.accounts[0]
  await page.request.post(`${server.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  const { document } = await readBox(page, server.demo)
  const made = await page.request.post(`${server.url}/api/boxes`, {
    data: { name: 'Many cases', canvas: document.canvas },
  })
  const { id } = (await made.json()) as { id: string }
  const saved = await page.request.patch(`${server.url}/api/boxes/${id}/draft`, {
    data: {
      baseRevision: 0,
      patches: (['look', 'zones', 'seasons', 'alerts'] as const).map((path) => ({
        ...{ op: 'replace', path: [path] },
        value: withCases(document)[path],
      })),
    },
  })
  if (!saved.ok()) throw new Error(await saved.text())
  // Fonts and media are there, as they are for whoever has looked at the box before.
  await page.goto(`${server.url}/boxes/${id}`)
  await page.waitForTimeout(6_000)
  await page.goto(`${server.url}/rehearsal/proofs?box=${id}`)
  const status = page.getByRole('region', { name: 'Proof sheet' }).getByRole('status')
  await status.filter({ hasText: /[1-9]\d* of \d+ pictures drawn/ }).waitFor()
  await page.evaluate(() => ((globalThis as unknown as { waits: number[] }).waits.length = 0))
  const count = async () => Number(/(\d+) of/.exec(await status.innerText())?.[1] ?? 0)
  const from = { at: performance.now(), count: await count() }
  await status.filter({ hasText: 'looking for flashes' }).waitFor({ timeout: 600_000 })
  const pictures = wantedCases * 8 - from.count
  const drawnMs = performance.now() - from.at
  const takeWaits = () =>
    page.evaluate(() => (globalThis as unknown as { waits: number[] }).waits.splice(0)) as Promise<number[]>
  measured.push({
    what: `${wantedCases} cases × 8 samples`,
    figures: {
      pictures: pictures + from.count,
      'pictures a second': ((pictures * 1000) / drawnMs).toFixed(1),
      took: `${(drawnMs / 1000).toFixed(1)} s`,
      ...waitsOf(await takeWaits()),
    },
  })
  const seenFrom = performance.now()
  await status.filter({ hasText: 'drawn in' }).waitFor({ timeout: 1_200_000 })
  const seenMs = performance.now() - seenFrom
  measured.push({
    what: 'every frame of each case looked at for flashes, and text over pictures',
    figures: { took: `${(seenMs / 1000).toFixed(1)} s`, ...waitsOf(await takeWaits()) },
  })
  await page.close()

  // The peer draws what stands on the same stage.
  const bare = await browser.newContext({ bypassCSP: true, viewport: { width: 1280, height: 800 } })
  const stage = await bare.newPage()
  await stage.addInitScript({ content: watching })
  await stage.request.post(`${server.url}/api/session`, {
    data: { email: account?.email, password: account?.password },
  })
  await stage.goto(`${server.url}/source/none`)
  const code = await build({
    entryPoints: ['bench/peerPictures.ts'],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
  })
  await stage.addScriptTag({ content: code.outputFiles[0]?.text ?? '' })
  const score = resolveAlert(await readBox(stage, server.demo), 'follow')
  const took = await stage.evaluate(
    ([given, atMs, many]) =>
      (globalThis as unknown as { peer: (...all: unknown[]) => Promise<number[]> }).peer(given, atMs, many),
    [score, restingMs(score), peerPictures] as const,
  )
  const waits = await stage.evaluate(() => (globalThis as unknown as { waits: number[] }).waits)
  measured.push({
    what: 'modern-screenshot, the follow alert over and over',
    figures: {
      pictures: peerPictures,
      'pictures a second': ((took.length * 1000) / took.reduce((sum, each) => sum + each, 0)).toFixed(1),
      took: `${(took.reduce((sum, each) => sum + each, 0) / 1000).toFixed(1)} s`,
      ...waitsOf(waits),
    },
  })
  if (!(percentile(took, 0.5) > 0)) throw new Error('the peer drew nothing')
})
report('proof', measured)
