import { readFile } from 'node:fs/promises'
import type { Browser, Page } from '@playwright/test'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState, watchPlays } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'tips' })

const channel = 'channel-lantern-loaf'
const pageOf = (demo: DemoFile) => `${demo.url}/tip/${channel}`
const phone = { width: 390, height: 844 }
const field = (page: Page) => ({
  name: page.getByLabel('Your name'),
  message: page.getByLabel('Your message'),
  leave: page.getByRole('button', { name: /^(Leave|How much)/ }),
})
/** A page of somebody who is nobody's member, with whatever its scripts complain of. */
async function visit(browser: Browser, demo: DemoFile, viewport = phone) {
  const context = await browser.newContext({ viewport })
  const page = await context.newPage()
  const complaints: string[] = []
  page.on('pageerror', (error) => complaints.push(error.message))
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()))
  await page.goto(pageOf(demo))
  await expect(page.getByRole('heading', { name: 'A loaf for the night bakers' })).toBeVisible()
  return { page, complaints }
}
const pay = async (page: Page, button: string | RegExp) => {
  await page.getByRole('button', { name: button }).click()
  await page.waitForURL(/\/tip\//)
}
/** What the goal of the page has, in cents. */
const goalOf = async (page: Page, demo: DemoFile): Promise<number> => {
  const answer = await page.request.get(`${demo.url}/api/tips/${channel}`)
  return ((await answer.json()) as { goal: { amount: number } }).goal.amount
}

test('a viewer leaves 25 € on a phone: page, alert, bar, list and goal agree, and a refund takes it back', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  test.slow()
  await signIn()
  const source = await browser.newPage({ viewport: { width: 1920, height: 1080 } })
  const plays = await watchPlays(source)
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  const board = await browser.newPage({ viewport: { width: 1920, height: 1080 } })
  await board.goto(demo.boards.find(({ name }) => name === 'Counter board')?.sourceUrl ?? '')
  await untilState(board, 'showing')

  const { page: viewer, complaints } = await visit(browser, demo)
  const before = await goalOf(page, demo)
  const { name, message, leave } = field(viewer)
  await name.fill('Inês da Padaria')
  await message.fill('o pão de centeio é o melhor da noite')
  // The alert as it will play, by the player itself.
  const stage = viewer.getByRole('region', { name: 'This is how it will look' })
  await expect(stage.getByText('Inês da Padaria')).toBeAttached()
  await expect(stage.getByText('a whole loaf for the night bakers')).toBeAttached()
  await viewer.getByText('€3', { exact: true }).click()
  await expect(stage.getByText('for the night bakers', { exact: true })).toBeAttached()
  await viewer.getByText('€25', { exact: true }).click()
  await expect(viewer.getByText('164 of 200 letters left')).toBeVisible()
  await expect(viewer.getByText(/^It is read aloud, in \w+\. Nothing of it is taken out\.$/)).toBeVisible()
  const euros = (minor: number) => `€${minor / 100}`
  await expect(viewer.getByText(`yours brings it to ${euros(before + 2500)}`)).toBeVisible()
  await viewer.getByText('kettle').click()
  await expect(viewer.getByRole('radio', { name: 'kettle' })).toBeChecked()
  await expectNoFaults(viewer, artwork)

  await leave.click()
  await pay(viewer, 'Pay €25.00')
  await expect(viewer.getByRole('heading', { name: 'Thank you, Inês da Padaria' })).toBeVisible()
  await expect(viewer.getByText(/^(Your alert is next|It is on screen right now|It was on screen)/)).toBeVisible()
  await expect(viewer.getByText(`${euros(before + 2500)} of €1,000`)).toBeVisible()
  await expect.poll(async () => (await plays()).map(({ text }) => text).join('\n')).toContain('a whole loaf for the')
  expect((await plays()).map(({ text }) => text).join('\n')).toContain('Inês da Padaria')
  await expect(board.locator('[data-part=list]')).toContainText('Inês da Padaria')
  await expect(board.locator('[data-part=bar]')).toContainText(euros(before + 2500))
  expect(await goalOf(page, demo)).toBe(before + 2500)
  expect(complaints).toEqual([])
  // What was left has arrived: the next one begins anew.
  await viewer.getByRole('link', { name: /^Back to/ }).click()
  await expect(field(viewer).name).toHaveValue('')

  // A test moves none of them.
  const answer = await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id ?? ''}/tests`, {
    headers: { origin: demo.url },
    data: { kind: 'tip' },
  })
  expect(answer.status()).toBe(202)
  expect(await goalOf(page, demo)).toBe(before + 2500)

  await page.goto(`${demo.url}/tips`)
  const receipt = page.getByRole('list', { name: 'Receipts' }).getByRole('listitem').first()
  await expect(receipt).toContainText('Inês da Padaria')
  await expect(receipt).toContainText('€25.00')
  await expectNoFaults(page)
  // It is only about to go, and can be kept.
  await receipt.getByRole('button', { name: 'Give €25.00 back to Inês da Padaria' }).click()
  await receipt.getByRole('button', { name: 'Undo' }).click()
  await receipt.getByRole('button', { name: 'Give €25.00 back to Inês da Padaria' }).click()
  await expect(receipt.getByText('given back')).toBeVisible({ timeout: 20_000 })
  await expect.poll(() => goalOf(page, demo)).toBe(before)
  await expect(board.locator('[data-part=list]')).not.toContainText('Inês da Padaria')
  await expect(board.locator('[data-part=bar]')).toContainText(euros(before))
  await source.close()
  await board.close()
})

test('by keyboard alone, and a card that is refused loses nothing', async ({ demo, browser }) => {
  const { page, complaints } = await visit(browser, demo, { width: 1280, height: 800 })
  await page.keyboard.press('Tab')
  await expect(page.getByRole('radio', { name: '€25', exact: true })).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('radio', { name: '€5', exact: true })).toBeChecked()
  await page.keyboard.press('Tab')
  await page.keyboard.type('7,50')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Zoë')
  await page.keyboard.press('Tab')
  await page.keyboard.type('more seeds')
  await expect(page.getByRole('button', { name: 'Leave €7.50' })).toBeVisible()
  for (let tabs = 0; tabs < 8; tabs++) {
    if (await page.getByRole('button', { name: 'Leave €7.50' }).evaluate((own) => own === document.activeElement)) break
    await page.keyboard.press('Tab')
  }
  await page.keyboard.press('Enter')
  await pay(page, 'Refuse the card')
  await expect(page.getByRole('heading', { name: 'It was not paid' })).toBeVisible()
  await page.getByRole('link', { name: 'Back to what you wrote' }).click()
  const { name, message, leave } = field(page)
  await expect(name).toHaveValue('Zoë')
  await expect(message).toHaveValue('more seeds')
  // Slow to say so: whoever waits is told when it is heard.
  await leave.click()
  await pay(page, 'Pay, and be slow')
  await expect(page.getByRole('heading', { name: 'Thank you, Zoë' })).toBeVisible({ timeout: 30_000 })
  expect(complaints).toEqual([])
})

test('what does not fit is said, and nothing of it is lost', async ({ demo, browser }) => {
  test.slow()
  const { page } = await visit(browser, demo)
  const { name, message, leave } = field(page)
  const words = 'خبز الليل 🥐 '.repeat(182).trim()
  await message.fill(words)
  await expect(page.getByText(/^\d+ letters too many$/)).toBeVisible()
  await page.getByLabel('Another amount, in EUR').fill('0')
  await leave.click()
  await expect(page.getByRole('alert').getByText('The least that is taken is €2.00.')).toBeVisible()
  await page.getByLabel('Another amount, in EUR').fill('9999999')
  await expect(page.getByText('The most that is taken is €1,000.00.')).toBeVisible()
  await name.fill('<b>bold</b>')
  await page.reload()
  await expect(message).toHaveValue(words)
  await expect(name).toHaveValue('<b>bold</b>')
  // Nobody's words are markup.
  await message.fill('<img src=x onerror=alert(1)>')
  await page.getByText('€25', { exact: true }).click()
  const stage = page.getByRole('region', { name: 'This is how it will look' })
  await expect(stage.getByText('<b>bold</b>')).toBeAttached()
  expect(await stage.locator('b, img[src="x"]').count()).toBe(0)

  // What never went through the page is refused as well, in words.
  const send = (fields: object) =>
    page.request.post(`${demo.url}/api/tips/${channel}/checkouts`, {
      headers: { origin: demo.url },
      data: {
        ...{ requestId: 'by-hand-1', amountMinor: 2500, currency: 'EUR', name: 'x', message: '', choice: null },
        ...fields,
      },
    })
  for (const [fields, words] of [
    [{ amountMinor: 0 }, 'The least that is taken is €2.00.'],
    [{ amountMinor: 1_000_000_000 }, 'The most that is taken is €1,000.00.'],
    [{ currency: 'USD' }, 'Only EUR is taken here.'],
    [{ choice: 'dough' }, 'This cannot be chosen any more, or not with this amount.'],
    [{ message: 'a'.repeat(2000) }, 'A message has at most 200 letters; this one has 2000.'],
  ] as const) {
    const answer = await send(fields)
    expect(answer.status()).toBe(422)
    expect(((await answer.json()) as { detail: string }).detail).toBe(words)
  }
  expect((await page.request.get(`${demo.url}/api/tips/channel-nobody`)).status()).toBe(404)
  expect((await page.request.get(`${demo.url}/api/tips/${channel}/checkouts/checkout-none`)).status()).toBe(404)
  // A form that is posted a hundred times is one tip, and then asked to wait.
  let id = ''
  await expect
    .poll(
      async () => {
        const answer = await send({ requestId: 'the-same-form' })
        if (answer.status() === 201) ({ id } = (await answer.json()) as { id: string })
        return answer.status()
      },
      // Whoever tried this often just before waits for a minute, as anybody would.
      { timeout: 90_000, intervals: [100, 10_000] },
    )
    .toBe(201)
  const answers = await Promise.all(Array.from({ length: 100 }, () => send({ requestId: 'the-same-form' })))
  const made = answers.filter((each) => each.status() === 201)
  for (const each of made) expect(((await each.json()) as { id: string }).id).toBe(id)
  expect(answers.filter((each) => each.status() === 429).length).toBeGreaterThan(80)
  // What nobody has paid is nothing yet.
  await page.goto(`${pageOf(demo)}/${id}`)
  await expect(page.getByRole('heading', { name: 'Waiting for the provider' })).toBeVisible()
  // Notices that nobody signed are not heard.
  const forged = await page.request.post(`${demo.url}/api/feeds/feed-till/payments`, {
    data: {
      type: 'checkout.paid',
      timestamp: new Date().toISOString(),
      data: { reference: 'x', amount: 1, currency: 'EUR' },
    },
  })
  expect(forged.status()).toBe(401)
})

test('the page is changed, closed and found: by its code, and by a word in chat', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn('editor')
  await page.goto(`${demo.url}/tips`)
  const own = page.getByRole('region', { name: 'The tip page' })
  await own.getByRole('button', { name: /^Takes / }).click()
  const least = own.getByLabel('The least that is taken')
  await least.fill('4')
  await least.press('Tab')
  // What is offered lies within what is taken.
  await expect(own.getByRole('button', { name: /^Offers / })).toContainText('€4, €5, €25, €50')
  await page.keyboard.press('ControlOrMeta+z')
  await own.getByRole('button', { name: 'Undo' }).click()
  await expect(own.getByRole('button', { name: /^Offers / })).toContainText('€3, €5, €25, €50')

  const saving = page.waitForEvent('download')
  await own.getByRole('button', { name: 'Save the picture' }).click()
  const picture = PNG.sync.read(await readFile(await (await saving).path()))
  const read = jsQR(new Uint8ClampedArray(picture.data), picture.width, picture.height)
  expect(read?.data).toBe(pageOf(demo))
  const found = await browser.newPage()
  await found.goto(read?.data ?? '')
  await expect(found.getByRole('heading', { name: 'A loaf for the night bakers' })).toBeVisible()

  await page.request.post(`${demo.url}/stand-ins/rooms/feed-alder/say`, {
    headers: { origin: demo.url },
    data: { viewer: { id: 'sim-pip_rye', name: 'pip_rye', roles: [] }, text: '!tip' },
  })
  const chat = await browser.newPage()
  await chat.goto(`${demo.url}/stand-ins/chat/feed-alder`)
  await expect(chat.getByText(new RegExp(`/tip/${channel}$`)).last()).toBeVisible()

  await own.getByRole('button', { name: 'Close the page' }).click()
  await expect(own.getByText('Closed: viewers read that it is.')).toBeVisible()
  await found.reload()
  await expect(found.getByText('This page is closed at the moment. Come back later.')).toBeVisible()
  await expectNoFaults(found)
  await own.getByRole('button', { name: 'Open the page' }).click()
  await expect(own.getByText('Open: viewers can leave something.')).toBeVisible()
})
