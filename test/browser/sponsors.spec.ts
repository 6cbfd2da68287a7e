import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'sponsors' })

const chosen = (page: Page) => page.getByRole('region', { name: 'The chosen sponsor' })
const row = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(name) })
interface View {
  watching: number
  campaigns: { campaign: { name: string }; figures: { shown: number; impressions: number; clicks: number } }[]
}
const figuresOf = async (page: Page, demo: DemoFile, name: string) => {
  const view = (await (await page.request.get(`${demo.url}/api/sponsors`)).json()) as View
  const figures = view.campaigns.find(({ campaign }) => campaign.name === name)?.figures
  return { ...(figures ?? { shown: -1, impressions: -1, clicks: -1 }), watching: view.watching }
}

test('a sponsor is added, stands on the board when its turn comes, and counts once the whole of it was seen', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  // A line stands for twenty seconds, and where a busy machine skips some of it, the next one counts.
  test.setTimeout(300_000)
  await signIn('editor')
  await page.goto(`${demo.url}/sponsors`)
  await expect(row(page, 'Sorrel mill')).toContainText('its turn may come')
  await expect(row(page, 'Hob & Daughter')).toContainText('over')
  await expect(
    page.getByRole('img', { name: 'impressions of each sponsor, day by day' }).locator('svg').first(),
  ).toBeVisible()
  await expectNoFaults(page)
  // Only ours, so that it is ours whose turn it is.
  for (const other of ['Sorrel mill', 'Quayside boxes']) {
    await row(page, other).getByRole('button').click()
    await chosen(page).getByRole('button', { name: 'Pause it' }).click()
    await expect(row(page, other)).toContainText('paused')
  }
  await page.getByRole('button', { name: 'New sponsor' }).click()
  const name = chosen(page).getByLabel('Name of the sponsor')
  await expect(name).toHaveValue('New sponsor')
  await name.fill('Tallow & Wick')
  await name.press('Enter')
  await expect(row(page, 'Tallow & Wick')).toContainText('paused')
  await chosen(page)
    .getByRole('button', { name: /^Says / })
    .click()
  const words = chosen(page).getByLabel('What is said')
  await words.fill('candles by <b>Tallow</b> & Wick')
  await words.press('Enter')
  await chosen(page)
    .getByRole('button', { name: /^Leads / })
    .click()
  const link = chosen(page).getByLabel('Where a click leads')
  await link.fill('tallow-and-wick.example/candles')
  await link.press('Enter')
  const address = chosen(page).getByText(/\/go\/[a-z0-9]{8}$/)
  await expect(address).toBeVisible()
  await chosen(page)
    .getByRole('button', { name: /^Every / })
    .click()
  const every = chosen(page).getByLabel('So many minutes lie between two times')
  await every.fill('1')
  await every.press('Tab')
  // A campaign never ends before it begins: what does not fit is said, and stays as it was.
  await chosen(page)
    .getByRole('button', { name: /^Until / })
    .click()
  await chosen(page).getByRole('checkbox', { name: 'It ends by itself' }).check()
  const until = chosen(page).getByLabel('Until when it is shown')
  await until.fill('2020-01-01T00:00')
  await until.press('Tab')
  await expect(page.getByText('a campaign ends after it begins')).toBeVisible()
  await expect(until).not.toHaveValue('2020-01-01T00:00')

  const board = await browser.newPage({ viewport: { width: 1920, height: 1080 } })
  await board.goto(demo.boards.find(({ name: of }) => of === 'Counter board')?.sourceUrl ?? '')
  await untilState(board, 'showing')
  const line = board.locator('[data-part=sponsor] [data-row]')
  // A test shows lines that nobody counts.
  await page.request.post(`${demo.url}/api/boards/${demo.boards[0]?.id ?? ''}/tests`, { headers: { origin: demo.url } })
  await expect(line.first()).toBeAttached()
  await expect(line).toHaveCount(0, { timeout: 20_000 })
  await chosen(page).getByRole('button', { name: 'Let it be shown' }).click()
  await expect(line.getByText('candles by <b>Tallow</b> & Wick')).toBeVisible({ timeout: 30_000 })
  await expect(line.getByText('candles by <b>Tallow</b> & Wick')).toHaveCSS('opacity', '1')
  expect((await figuresOf(page, demo, 'Tallow & Wick')).shown).toBe(0)
  await expect
    .poll(async () => (await figuresOf(page, demo, 'Tallow & Wick')).shown, { timeout: 200_000 })
    .toBeGreaterThan(0)
  // As many as the simulated platforms say that watch.
  const { impressions, watching } = await figuresOf(page, demo, 'Tallow & Wick')
  expect(watching).toBeGreaterThan(30)
  expect(impressions).toBeGreaterThan(30)
  await expect(row(page, 'Tallow & Wick').getByRole('cell').nth(1)).not.toHaveText('0')
  // After its time it is gone, with what lay under it.
  await expect(board.locator('[data-part=sponsor] [data-row]').first()).toHaveCSS('opacity', '0')

  // Who follows its link is led on and counted, once.
  const short = (await address.textContent()) ?? ''
  const followed = await fetch(`${demo.url}${new URL(short).pathname}`, {
    redirect: 'manual',
    headers: { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/140.0 Safari/537.36' },
  })
  expect([followed.status, followed.headers.get('location')]).toEqual([302, 'https://tallow-and-wick.example/candles'])
  await fetch(`${demo.url}${new URL(short).pathname}`, {
    redirect: 'manual',
    headers: { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/140.0 Safari/537.36' },
  })
  await fetch(`${demo.url}${new URL(short).pathname}`, { redirect: 'manual', method: 'HEAD' })
  await expect(row(page, 'Tallow & Wick').getByRole('cell').nth(2)).toHaveText('1')
  expect((await page.request.get(`${demo.url}/go/nowhere1`, { maxRedirects: 0 })).status()).toBe(404)

  await page.getByRole('button', { name: 'clicks' }).click()
  await expect(page.getByRole('img', { name: 'clicks of each sponsor, day by day' })).toContainText('Tallow & Wick')
  const saving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV of a year' }).click()
  const csv = await readFile(await (await saving).path(), 'utf8')
  expect(csv.split('\r\n')[0]).toBe('day,campaign,sponsor,shown,impressions,clicks,points,earnings (EUR)')
  expect(csv).toMatch(/,Tallow & Wick,[1-9]\d*,[1-9]\d*,1,/)
  await chosen(page).getByRole('button', { name: 'Put it away' }).click()
  await expect(row(page, 'Tallow & Wick')).toHaveCount(0)
  await page.locator('[data-sonner-toast]').getByRole('button', { name: 'Undo' }).click()
  await expect(row(page, 'Tallow & Wick')).toBeVisible()
  await board.close()
})

test('a moderator looks at what came of sponsors, and changes nothing; a stranger sees nothing', async ({
  page,
  demo,
  signIn,
  request,
}) => {
  expect((await request.get(`${demo.url}/api/sponsors`)).status()).toBe(401)
  expect((await request.get(`${demo.url}/api/sponsors/figures`)).status()).toBe(401)
  await signIn('moderator')
  await page.goto(`${demo.url}/sponsors`)
  await expect(row(page, 'Quayside boxes')).toBeVisible()
  await expect(page.getByRole('button', { name: 'New sponsor' })).toHaveCount(0)
  const answer = await page.request.post(`${demo.url}/api/sponsors`, {
    headers: { origin: demo.url },
    data: { campaign: { name: 'x' } },
  })
  expect(answer.status()).toBe(403)
})
