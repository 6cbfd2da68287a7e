import type { Browser, Page } from '@playwright/test'
import { deliver } from '../arrange/cedar.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'boards' })

/** Opens a board as a broadcast program does. */
async function show(browser: Browser, url: string): Promise<Page> {
  const source = await browser.newPage({ viewport: { width: 1920, height: 1080 } })
  await source.goto(url)
  await untilState(source, 'showing')
  return source
}
const counter = (demo: DemoFile) => demo.boards.find(({ name }) => name === 'Counter board')?.sourceUrl ?? ''
const partText = (source: Page, id: string) => source.locator(`[data-part=${id}]`)
const rows = (source: Page, id: string) => partText(source, id).locator('[data-row]')

let sent = 0
async function happen(page: Page, demo: DemoFile, type: string, data: object): Promise<void> {
  const answer = await page.request.post(`${demo.url}/api/events`, {
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    data: {
      ...{ specversion: '1.0', id: `board-${sent++}`, source: 'demo', type: `thundercrest.event.${type}.v1`, data },
    },
  })
  expect(await answer.json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
}
/** A tip of 25 € on the channel’s own page. */
async function tip(demo: DemoFile, slip: string): Promise<unknown> {
  const slips = [
    { ...{ does: 'tip', slip, at: new Date().toISOString(), from: 'Tomé Brandão' }, amount: 2500, currency: 'EUR' },
  ]
  return (await deliver(demo, JSON.stringify({ slips }), { platform: 'till' })).json()
}
const room = (demo: DemoFile) => `${demo.url}/stand-ins/rooms/feed-alder`
const say = (page: Page, demo: DemoFile, name: string, text: string, roles: string[] = []) =>
  page.request.post(`${room(demo)}/say`, {
    headers: { origin: demo.url },
    data: { viewer: { id: `sim-${name}`, name, roles }, text },
  })

test('a board is made in a look of the gallery, gets a clock, goes on air, and stands at an address of its own', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  test.slow()
  await signIn()
  await page.goto(`${demo.url}/boards`)
  await expect(page.getByRole('article', { name: 'Window strip' })).toBeVisible()
  await page.getByRole('button', { name: 'New board' }).click()
  const dialog = page.getByRole('dialog', { name: 'A new board' })
  await dialog.getByRole('button', { name: 'Make the board' }).click()
  await expect(dialog.getByText('a name to find it by')).toBeVisible()
  await dialog.getByLabel('Name').fill('Winter board')
  await dialog.getByRole('radio', { name: 'First frost' }).click()
  await dialog.getByRole('button', { name: 'Make the board' }).click()
  await expect(page.getByRole('heading', { name: 'Winter board' })).toBeVisible()

  // It is composed like an alert, with states in the place of a timeline.
  const stage = page.locator('[data-stage]')
  await expect(stage.getByRole('progressbar')).toBeVisible()
  await page.getByRole('radio', { name: /^Nothing yet/ }).click()
  await expect(stage.locator('[data-row]')).toHaveCount(0)
  await page.getByRole('radio', { name: /^Full/ }).click()
  await expect(stage.locator('[data-row]').first()).toBeVisible()
  await page.getByRole('button', { name: 'Add a clock' }).click()
  const inspector = page.getByRole('complementary', { name: 'Inspector' })
  await expect(inspector.getByRole('textbox', { name: 'Name of the part' })).toHaveValue('Clock')
  await inspector.getByRole('button', { name: /^Counts:/ }).click()
  await page.getByRole('option', { name: 'what time it is' }).click()
  await expect(stage.getByText(/^\d{2}:\d{2}$/)).toBeVisible()
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await expectNoFaults(page)
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Put \d+ changes? on air/ })
    .click()
  await expect(page.getByRole('button', { name: 'On air', exact: true })).toBeVisible()

  const { url } = (await (
    await page.request.get(`${demo.url}/api/boxes/${new URL(page.url()).pathname.split('/').at(-1) ?? ''}/address`)
  ).json()) as { url: string }
  expect(url).toMatch(/\/board\/brd/)
  const source = await show(browser, url)
  await expect(source.getByText(/^\d{2}:\d{2}$/)).toBeVisible()
  // The address of a board is none of a box, and the other way round.
  const other = await page.request.get(url.replace('/board/', '/source/'))
  expect(other.status()).toBe(404)

  // A test is shown for a while, and then again what is true.
  await expect(page.getByText('1 source connected')).toBeVisible()
  const before = await rows(source, 'list').allInnerTexts()
  await page.getByRole('button', { name: 'Show a test' }).click()
  await expect(rows(source, 'list').first()).toContainText('pip_rye')
  await expect.poll(() => rows(source, 'list').allInnerTexts(), { timeout: 20_000 }).toEqual(before)

  // What is put on air reaches the page that stands.
  await page.getByRole('button', { name: /^Counts:/ }).click()
  await page.getByRole('option', { name: 'up since the broadcast began' }).click()
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Put \d+ changes? on air/ })
    .click()
  await expect(source.getByText(/^\d+:\d{2}(:\d{2})?$/)).toBeVisible()
  await source.close()
})

test('a tip moves the bar and stands in the list of every page; a test and a repeat move nothing', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  const [source, second] = await Promise.all([show(browser, counter(demo)), show(browser, counter(demo))])
  const bar = partText(source, 'bar')
  await expect(bar).toContainText('€148 of €1,000')
  await tip(demo, 'first')
  for (const each of [source, second]) {
    await expect(partText(each, 'bar')).toContainText('€173 of €1,000')
    await expect(rows(each, 'list').first()).toHaveText('Tomé Brandão left €25.00')
  }
  const test = await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id ?? ''}/tests`, {
    headers: { origin: demo.url },
    data: { kind: 'tip' },
  })
  expect(test.status()).toBe(202)
  expect(await tip(demo, 'first')).toEqual({ accepted: 0, repeated: 1, rejected: 0 })
  // What comes behind them is there, and they are not.
  await happen(page, demo, 'follow', { viewer: { id: 'm', name: '<b>bold</b>' } })
  await expect(rows(source, 'list').first()).toHaveText('<b>bold</b> joined the night shift')
  await expect(rows(source, 'list').nth(1)).toHaveText('Tomé Brandão left €25.00')
  expect(await bar.innerText()).toContain('€173')
  await expect(source.locator('b')).toHaveCount(0)
  await Promise.all([source.close(), second.close()])
})

test('what is said in a chat stands on the board as letters; what a moderator takes away is gone, and stays gone', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  const source = await show(browser, counter(demo))
  const lines = rows(source, 'chat')
  await say(page, demo, 'pip_rye', 'good evening warmLoaf')
  await say(page, demo, '<b>bold</b>', 'so <img src=x onerror=alert(1)> & co', ['moderator'])
  await say(page, demo, 'MarrowHat', 'something that nobody should read')
  await say(page, demo, 'Zoë', '!bell')
  await expect(lines).toHaveCount(3)
  await expect(lines.filter({ hasText: 'pip_rye' }).getByRole('img', { name: 'warmLoaf' })).toBeVisible()
  await expect(lines.filter({ hasText: 'onerror' })).toHaveText('<b>bold</b> so <img src=x onerror=alert(1)> & co')
  await expect(lines.filter({ hasText: 'onerror' }).getByRole('img', { name: 'helper' })).toBeVisible()

  await page.goto(`${demo.url}/stand-ins/chat/feed-alder`)
  await page.getByRole('checkbox', { name: 'moderator' }).check()
  await page.getByRole('button', { name: /^Take away what MarrowHat said/ }).click()
  await expect(page.getByText('something that nobody should read')).toHaveCount(0)
  await expect(lines.filter({ hasText: 'nobody should read' })).toHaveCount(0)
  await expect(lines).toHaveCount(2)
  // Whoever comes later does not find it either.
  await source.reload()
  await untilState(source, 'showing')
  await expect(rows(source, 'chat')).toHaveCount(2)
  await source.close()
})

test('a moderator looks at boards and composes nothing; the true state of tonight can be looked at', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('moderator')
  await page.goto(`${demo.url}/boards`)
  await page.getByRole('link', { name: 'Open Counter board' }).click()
  await expect(page.getByRole('heading', { name: 'Counter board' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Put on air/ })).toHaveCount(0)
  const stage = page.locator('[data-stage]')
  await expect(stage.getByRole('progressbar')).toContainText('€605 of €1,000')
  await page.getByRole('radio', { name: 'true, of tonight' }).click()
  await expect(stage.getByRole('progressbar')).toContainText(/€1\d\d of €1,000/)
  const refused = await page.request.post(`${demo.url}/api/boards`, {
    headers: { origin: demo.url },
    data: { name: 'Mine', canvas: { widthPx: 1920, heightPx: 1080, framesPerSecond: 30 }, shelfId: null },
  })
  expect(refused.status()).toBe(403)
})

test('a board that is put away shows nothing and comes back; what only alerts have is refused in words', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  const strip = demo.boards.find(({ name }) => name === 'Window strip')
  const source = await show(browser, strip?.sourceUrl ?? '')
  const api = `${demo.url}/api/boxes/${strip?.id ?? ''}`
  const headers = { origin: demo.url }
  for (const answer of [
    await page.request.put(`${api}/held`, { headers, data: { isHeld: true } }),
    await page.request.post(`${api}/tests`, { headers, data: { kind: 'tip' } }),
    await page.request.get(`${api}/pack`),
  ]) {
    expect(answer.status()).toBe(409)
    expect(await answer.text()).toContain('This is a board')
  }
  await page.goto(`${demo.url}/boards`)
  const card = page.getByRole('article', { name: 'Window strip' })
  await card.getByRole('button', { name: 'More about Window strip' }).click()
  await page.getByRole('menuitem', { name: 'Put away' }).click()
  await expect(card).toHaveCount(0)
  await untilState(source, 'offline')
  await page.getByRole('region', { name: 'Put away' }).getByRole('button', { name: 'Bring back' }).click()
  await expect(card).toBeVisible()
  await untilState(source, 'showing', 40_000)
  await source.close()
})
