import { readFileSync } from 'node:fs'
import { shortAlert, boxOnAir } from '../arrange/boxOnAir.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { TestServer } from '../arrange/server.ts'

test.use({ serverFor: 'history' })

test('what happened is found by kind, end and words; a viewer has a page; what is saved comes back into an empty channel', async ({
  page,
  context,
}) => {
  test.setTimeout(180_000)
  const night = await TestServer.start({ THUNDERCREST_DEMO: 'night' })
  const empty = await TestServer.start({ THUNDERCREST_DEMO: '0' })
  try {
    await page.request.post(`${night.url}/api/session`, {
      data: { email: night.demo.accounts[0]?.email, password: night.demo.accounts[0]?.password },
    })
    await page.goto(`${night.url}/history`)
    await expect(page.getByText('500 events read; scroll for what came before.')).toBeVisible()
    await expectNoFaults(page)
    // To its very end, by the keyboard: only the rows that can be seen are there.
    const rows = page.getByLabel('What happened, newest first')
    await rows.focus()
    await expect(async () => {
      await page.keyboard.press('End')
      await expect(page.getByText('915 events, that is all.')).toBeVisible({ timeout: 500 })
    }).toPass()
    await expect(async () => {
      await page.keyboard.press('End')
      await expect(rows.locator('[aria-posinset="915"]')).toBeInViewport({ timeout: 500 })
    }).toPass()
    expect(await rows.getByRole('listitem').count()).toBeLessThan(40)

    await page.getByLabel('Kind of event').selectOption({ label: 'Follows' })
    await page.getByLabel('What became of it').selectOption('merged')
    await page.getByLabel('Names and words').fill('zoe')
    await expect(page).toHaveURL(/kind=follow&outcome=merged&words=zoe/)
    await expect(rows.getByRole('link').first()).toHaveText(/^Zoë/)
    await expect(rows.getByText('shown with others').first()).toBeVisible()
    await rows
      .getByRole('button', { name: /Why\?$/ })
      .first()
      .click()
    await expect(page.getByRole('dialog')).toContainText('Why')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Everything again' }).click()
    await page.getByLabel('At least so much money, EUR').fill('100')
    await page.keyboard.press('Tab')
    await expect(rows.getByText('€100.00').first()).toBeVisible()
    await rows.getByRole('link').first().click()
    const soFar = page.getByRole('complementary', { name: 'So far' })
    await expect(soFar.getByText('Gave so far')).toBeVisible()
    await expectNoFaults(page)

    await page.goto(`${night.url}/history`)
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'As events (NDJSON)' }).click(),
    ])
    const saved = readFileSync(await download.path(), 'utf8')
    expect(saved.trim().split('\n')).toHaveLength(915)
    const table = await (await page.request.get(`${night.url}/api/history?as=csv&kind=raid`)).text()
    expect(table.trim().split('\r\n')).toHaveLength(4)
    expect(table).toContain('Juno Flint')

    // A channel that was just made.
    const guest = await context.browser()!.newPage()
    const made = await guest.request.post(`${empty.url}/api/welcome`, {
      data: {
        ...{
          code: /with the code (\S+)/.exec(empty.printed)?.[1] ?? '',
          channelName: 'Second oven',
          personName: 'Bram',
          email: 'bram@example.org',
        },
        password: 'crumbs and more crumbs',
      },
    })
    expect(made.status()).toBe(201)
    await guest.goto(`${empty.url}/history`)
    await expect(guest.getByText('Nothing has happened here yet.')).toBeVisible()
    const bring = guest.getByLabel('Bring a history back')
    await bring.setInputFiles({
      name: 'broken.ndjson',
      mimeType: 'application/x-ndjson',
      buffer: Buffer.from(`${saved}{`),
    })
    await expect(guest.getByText(/Line 916 does not fit; nothing was written/)).toBeVisible()
    await bring.setInputFiles({ name: 'history.ndjson', mimeType: 'application/x-ndjson', buffer: Buffer.from(saved) })
    await expect(guest.getByText('915 events are back. Nothing of it plays again.')).toBeVisible()
    await expect(guest.getByText('500 events read; scroll for what came before.')).toBeVisible()
    expect(await (await guest.request.get(`${empty.url}/api/history?as=ndjson`)).text()).toBe(saved)
  } finally {
    await night.remove()
    await empty.remove()
  }
})

test('after the show: what came when, how long it waited, whom to thank; as a picture and a table', async ({
  page,
}) => {
  test.setTimeout(120_000)
  const night = await TestServer.start({ THUNDERCREST_DEMO: 'night' })
  try {
    await page.request.post(`${night.url}/api/session`, {
      data: { email: night.demo.accounts[0]?.email, password: night.demo.accounts[0]?.password },
    })
    await page.goto(`${night.url}/after`)
    await page.getByRole('link', { name: /24 November/ }).click()
    await expect(page.getByText('904 things happened')).toBeVisible()
    await expect(page.getByRole('img', { name: 'What happened, along the broadcast' })).toContainText('Follows')
    await expect(page.getByRole('table', { name: 'How long it took to be shown' })).toContainText('Follow')
    await expect(page.getByRole('region', { name: 'Who gave to others' })).toContainText('50 gifts')
    await expect(page.getByRole('complementary', { name: 'To thank for' }).getByRole('listitem').first()).toBeVisible()
    await expectNoFaults(page, '.apexcharts-canvas')
    const [picture] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'As a picture' }).click(),
    ])
    expect(picture.suggestedFilename()).toBe('broadcast-2026-11-24.png')
    const png = readFileSync(await picture.path())
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([1200, 675])
    const [table] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'As a table (CSV)' }).click(),
    ])
    const lines = readFileSync(await table.path(), 'utf8')
      .trim()
      .split('\r\n')
    expect(lines[0]).toMatch(/^from,minutes,Follow/)
    expect(lines).toHaveLength(25)

    // Tonight goes on; by hand it ends, and the next begins.
    await page.getByRole('button', { name: 'It is over now' }).press('Enter')
    await expect(page.getByText('ended by hand')).toBeVisible()
    await page.getByRole('button', { name: 'It begins now' }).press('Enter')
    await expect(page.getByRole('link', { name: /– now/ })).toBeVisible()
    await expect(page.getByText('Nothing happened in it yet.')).toBeVisible()
  } finally {
    await night.remove()
  }
})

test('a source of another size is told what to enter; one is silenced, then all of them', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('editor')
  const { id, sourceUrl } = await boxOnAir(page, demo, 'Two scenes', [shortAlert('follow')])
  const source = await context.newPage()
  await source.setViewportSize({ width: 1280, height: 720 })
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  const other = await context.newPage()
  await other.setViewportSize({ width: 1024, height: 600 })
  await other.goto(`${sourceUrl}?quiet`)
  await untilState(other, 'waiting')
  await page.goto(`${demo.url}/desk?box=${id}`)
  const strip = page.getByLabel('Sources', { exact: true })
  await expect(strip.getByText('enter width 1280 and height 720 in its program')).toBeVisible()
  await expect(strip.getByText(/Chromium \d+/).first()).toBeVisible()
  // By its address one of them is silent from the beginning.
  const sounds = strip.getByRole('button', { name: /^Sound of source/ })
  await expect(sounds.filter({ hasText: 'silent' })).toHaveCount(1)
  await sounds.filter({ hasText: 'heard' }).press('Enter')
  await expect(sounds.filter({ hasText: 'silent' })).toHaveCount(2)
  // A reload does not change that.
  await source.reload()
  await untilState(source, 'waiting')
  await expect(sounds.filter({ hasText: 'silent' })).toHaveCount(2)

  await page.getByRole('main').press('m')
  await expect(page.getByRole('button', { name: /Let all be heard/ })).toBeVisible()
  // Whoever comes later is silent, too.
  const third = await context.newPage()
  await third.goto(sourceUrl)
  await untilState(third, 'waiting')
  await expect(sounds).toHaveCount(3)
  await expect(page.getByRole('button', { name: /Let all be heard/ })).toBeVisible()
  await page.getByRole('button', { name: /Let all be heard/ }).click()
  await expect(page.getByRole('button', { name: /Silence everything/ })).toBeVisible()
  const sent = await page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'follow' } })
  expect(sent.ok()).toBe(true)
  await expect(strip.getByText(/\d+ dropped/).first()).toBeVisible()
  await expectNoFaults(page)
})
