import type { Page } from '@playwright/test'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { TestServer } from '../arrange/server.ts'

test.use({ serverFor: 'boxes' })

const tile = (page: Page, name: string) => page.getByRole('article', { name, exact: true })
const names = (page: Page) => page.getByRole('article').evaluateAll((all) => all.map((each) => each.ariaLabel))
async function more(page: Page, box: string, act: string): Promise<void> {
  await page.getByRole('button', { name: `More about ${box}`, exact: true }).click()
  await page.getByRole('menuitem', { name: act, exact: true }).click()
}

/** Opens a box's menu by keyboard; its first entry is then the active one. */
async function openByKeys(page: Page, box: string): Promise<void> {
  await page.getByRole('button', { name: `More about ${box}`, exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menu')).toBeFocused()
}

test('a box is renamed in place, by mouse and by keyboard, and by its old name again', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/boxes`)
  await more(page, 'Night counter', 'Rename')
  await page.getByLabel('Name of the box').fill('Late counter')
  await page.keyboard.press('Enter')
  await expect(tile(page, 'Late counter')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(tile(page, 'Night counter')).toBeVisible()

  await openByKeys(page, 'Night counter')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Name of the box')).toBeFocused()
  await page.keyboard.type('Not kept')
  await page.keyboard.press('Escape')
  await expect(tile(page, 'Night counter')).toBeVisible()
  await expectNoFaults(page, '[data-part]')
})

test('boxes are put in another order by dragging, and by keyboard; it stays over a reload', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/boxes`)
  await expect(tile(page, 'Street window')).toBeVisible()
  const before = await names(page)
  const [first, second] = before as [string, string]
  const grip = tile(page, second).locator('.cursor-grab')
  const target = await tile(page, first).boundingBox()
  await grip.hover()
  await page.mouse.down()
  await page.mouse.move(target!.x + 60, target!.y + 200, { steps: 8 })
  await page.mouse.move(target!.x + 20, target!.y + 200, { steps: 4 })
  const moved = page.waitForResponse((answer) => answer.request().method() === 'PATCH')
  await page.mouse.up()
  await expect.poll(() => names(page)).toEqual([second, first])
  expect((await moved).ok()).toBe(true)
  await page.reload()
  await expect(tile(page, first)).toBeVisible()
  expect(await names(page)).toEqual([second, first])
  await openByKeys(page, first)
  for (let step = 0; step < 2; step++) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect.poll(() => names(page)).toEqual(before)
})

test('a copy has an address of its own and is not on air; put away it answers gone, and is brought back with its sources', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  await page.goto(`${demo.url}/boxes`)
  await more(page, 'Street window', 'Duplicate')
  await expect(tile(page, 'Street window, copy')).toContainText('never on air')
  const { boxes } = (await (await page.request.get(`${demo.url}/api/boxes`)).json()) as {
    boxes: { id: string; name: string; document: unknown }[]
  }
  const of = (name: string) => boxes.find((box) => box.name === name)!
  expect(of('Street window, copy').document).toEqual(of('Street window').document)
  await more(page, 'Street window, copy', 'Put away')
  await expect(tile(page, 'Street window, copy')).toHaveCount(0)

  const { sourceUrl = '', id } = demo.boxes.find(({ name }) => name === 'Street window')!
  const source = await context.newPage()
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  const test = () => page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'follow' } })
  expect((await test()).status()).toBe(202)
  await untilState(source, 'playing')
  await more(page, 'Street window', 'Put away')
  await expect(page.getByText('“Street window” is put away')).toBeVisible()
  await untilState(source, 'offline')
  expect((await page.request.get(sourceUrl)).status()).toBe(410)
  expect((await page.request.get(`${demo.url}/api/boxes/${id}`)).status()).toBe(404)
  // What it played stays in the history.
  const { events } = (await (await page.request.get(`${demo.url}/api/events?limit=500`)).json()) as {
    events: { decisions?: { boxId: string }[] }[]
  }
  expect(JSON.stringify(events)).toContain(id)
  // A source that is opened meanwhile finds its box once it is back.
  const late = await context.newPage()
  await late.goto(sourceUrl)
  await page
    .getByRole('region', { name: 'Put away' })
    .locator('li', { hasText: /^Street window \d/ })
    .getByRole('button', { name: 'Bring back' })
    .click()
  await expect(tile(page, 'Street window')).toBeVisible()
  for (const each of [source, late]) await untilState(each, 'waiting', 30_000)
  expect((await test()).status()).toBe(202)
  await untilState(late, 'playing')
})

test('what is asked of boxes is checked: nobody else’s, nothing empty, no more than there may be', async ({
  page,
  demo,
  signIn,
}) => {
  const url = `${demo.url}/api/boxes/${demo.boxes[0]?.id}`
  await signIn('moderator')
  expect((await page.request.patch(url, { data: { name: 'Mine' } })).status()).toBe(403)
  expect((await page.request.delete(url)).status()).toBe(403)
  await signIn()
  for (const [data, status] of [
    [{}, 422],
    [{ name: ' ' }, 422],
    [{ name: 'x'.repeat(81) }, 422],
    [{ isPutAway: 'yes' }, 422],
  ] as const)
    expect((await page.request.patch(url, { data })).status(), JSON.stringify(data)).toBe(status)
  expect((await page.request.patch(`${demo.url}/api/boxes/box-of-others`, { data: { name: 'x' } })).status()).toBe(404)
  const answers = []
  for (let count = 0; count < 31; count++)
    answers.push((await page.request.post(`${url}/copies`, { data: { name: `Copy ${count}` } })).status())
  expect(answers.filter((status) => status === 409).length).toBeGreaterThan(0)
  expect(answers.filter((status) => status !== 201 && status !== 409)).toEqual([])
})

test('a moderator begins at the desk, and finds the speech desk and the library by looking', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('moderator')
  await page.goto(demo.url)
  await expect(page).toHaveURL(/\/desk/)
  await page.getByRole('navigation', { name: 'Paths of Desk' }).getByRole('link', { name: 'Speech desk' }).click()
  await expect(page).toHaveURL(/\/speech/)
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^Boxes/ })
    .click()
  await page.getByRole('navigation', { name: 'Paths of Boxes' }).getByRole('link', { name: 'Media' }).click()
  await expect(page.getByRole('heading', { name: 'Media' })).toBeVisible()
})

test('ten tabs of a browser share one live stream: all load, all hear, and an upload arrives', async ({
  demo,
  signIn,
  context,
}) => {
  test.slow()
  /** Which tab asked for the stream. */
  const streams: Page[] = []
  context.on('request', (request) => {
    if (request.url().endsWith('/api/channel/live')) streams.push(request.frame().page())
  })
  let tabs: Page[] = []
  for (let count = 0; count < 10; count++) tabs.push(await context.newPage())
  await signIn('owner', tabs[0])
  await Promise.all(tabs.map((tab) => tab.goto(`${demo.url}/media`)))
  const library = (tab: Page) => tab.getByRole('list', { name: 'Files' })
  for (const tab of tabs) await expect(library(tab)).toBeVisible({ timeout: 40_000 })
  expect(streams).toHaveLength(1)

  const stations = (tab: Page) => tab.getByRole('navigation', { name: 'Stations' })
  await tabs[9]!.locator('input[type=file]').count()
  const chooser = tabs[9]!.waitForEvent('filechooser')
  await tabs[9]!.getByRole('button', { name: 'Add files' }).click()
  const bytes = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="64" height="64"><rect width="40" height="40" fill="#E0964B"/></svg>`,
  )
  await (await chooser).setFiles([{ name: 'from the tenth tab.svg', mimeType: 'image/svg+xml', buffer: bytes }])
  for (const tab of [tabs[9]!, tabs[0]!, tabs[4]!])
    await expect(library(tab).getByText('from the tenth tab.svg')).toBeVisible({ timeout: 30_000 })

  // The tab that led is closed; another one leads, and what happens is heard in all that are left.
  await streams[0]!.close()
  tabs = tabs.filter((tab) => tab !== streams[0])
  await expect.poll(() => streams.length).toBe(2)
  await tabs[5]!.request.put(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/held`, { data: { isHeld: true } })
  for (const tab of tabs) await expect(stations(tab)).toContainText('held')
  await tabs[5]!.request.put(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/held`, { data: { isHeld: false } })
  expect(streams).toHaveLength(2)
})

test('two servers on one host do not sign each other out', async ({ page, demo, signIn }) => {
  const other = await TestServer.start()
  try {
    await signIn()
    const { email, password } = other.demo.accounts[0]!
    expect((await page.request.post(`${other.url}/api/session`, { data: { email, password } })).status()).toBe(204)
    const isIn = async (url: string) =>
      ((await (await page.request.get(`${url}/api/session`)).json()) as { session: unknown }).session !== null
    expect([await isIn(demo.url), await isIn(other.url)]).toEqual([true, true])
    await page.request.delete(`${other.url}/api/session`)
    expect([await isIn(demo.url), await isIn(other.url)]).toEqual([true, false])
  } finally {
    await other.remove()
  }
})
