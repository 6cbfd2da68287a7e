// Every frame of every case of every set that ships, looked through for flashes by the page as it stands for everybody: how many
// there are, and how long it takes. Whether a meter finds what flashes is measured in `flashes`.
import type { PackShelfView } from '../contract/packs.ts'
import { withPlayerPage } from './playerPage.ts'
import { report, type Measured } from './report.ts'

const measured: Measured[] = []
await withPlayerPage(async (_page, server, browser) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript({ content: 'globalThis.__name ??= (named) => named' })
  const account = server.demo.accounts[0]
  await page.request.post(`${server.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  const { packs } = (await (await page.request.get(`${server.url}/api/packs`)).json()) as PackShelfView
  for (const { shelfId, name } of packs.filter(({ origin }) => origin === 'gallery')) {
    const made = await page.request.post(`${server.url}/api/packs/${shelfId}/boxes`, {
      data: { name, withTriggers: false },
    })
    if (!made.ok()) throw new Error(await made.text())
    const { id } = (await made.json()) as { id: string }
    await page.goto(`${server.url}/rehearsal/proofs?box=${id}`)
    const status = page.getByRole('region', { name: 'Proof sheet' }).getByRole('status')
    await status.filter({ hasText: 'looking for flashes' }).waitFor({ timeout: 600_000 })
    const pictures = Number(/(\d+) pictures/.exec(await status.innerText())?.[1] ?? 0)
    const fromMs = performance.now()
    await status.filter({ hasText: 'drawn in' }).waitFor({ timeout: 1_200_000 })
    const found = page.getByRole('complementary', { name: 'Which pictures' }).getByRole('button', { name: /^Flashes/ })
    const faint = page
      .getByRole('complementary', { name: 'Which pictures' })
      .getByRole('button', { name: /^Little contrast over pictures/ })
    const countOf = async (button: typeof found) =>
      (await button.count()) === 0 ? 0 : Number(/(\d+)\D*$/.exec(await button.innerText())?.[1] ?? 0)
    measured.push({
      what: name,
      figures: {
        cases: pictures / 8,
        'that flash': await countOf(found),
        'text too faint over pictures': await countOf(faint),
        took: `${((performance.now() - fromMs) / 1000).toFixed(0)} s`,
      },
    })
  }
})
report('set-flashes', measured)
