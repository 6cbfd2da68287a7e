import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import { deliverNotices, followNotice } from '../arrange/cedar.ts'

test.use({ serverFor: 'channel' })

const row = (name: string) => `xpath=//h2[normalize-space()="${name}"]/ancestor::div[2]`

test('what a channel goes by is changed by hand, holds at once for viewers, and is taken back', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  await page.goto(`${demo.url}/boxes`)
  await page.getByRole('button', { name: /^Lantern Loaf: people, settings/ }).click()
  await page.getByRole('menuitem', { name: 'Settings' }).click()
  await expect(page.getByRole('heading', { name: 'Settings', exact: true })).toBeVisible()
  const name = page.getByLabel('Name', { exact: true })
  await name.fill('Night Oven')
  await name.press('Enter')
  await expect(page.getByRole('button', { name: /^Night Oven: people, settings/ })).toBeVisible()
  await page.getByRole('button', { name: /^Language:/ }).click()
  await page.getByRole('option', { name: 'German', exact: true }).click()
  await expect(page.locator(row('Language'))).toContainText('1.234,50')
  await page.getByRole('button', { name: /^The week begins on:/ }).press('Enter')
  await page.keyboard.press('End')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'The week begins on: Sunday' })).toBeVisible()
  await page.getByLabel('colours of their own').check()
  await expect(page.getByText('under it all')).toBeVisible()
  await page.getByLabel('under it all').fill('#103a2b')
  await page.getByLabel('under it all').blur()
  await expect(page.getByText('Viewers see these colours now.').first()).toBeVisible()
  // Looked at while no notice comes or goes: half seen, none has enough contrast.
  await page.reload()
  await expect(page.getByLabel('under it all')).toHaveValue('#103a2b')
  await expectNoFaults(page, artwork)

  // A viewer, who is nobody's member.
  const viewer = await (await browser.newContext()).newPage()
  await viewer.goto(`${demo.url}/list/channel-lantern-loaf`)
  await expect(viewer.getByText('Night Oven')).toBeVisible()
  const paper = await viewer.locator('main').evaluate((main) => getComputedStyle(main).getPropertyValue('--color-ink'))
  expect(paper).not.toBe('')
  await expectNoFaults(viewer, artwork)

  // Each is one step back.
  await page.getByLabel('colours of their own').uncheck()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Coloured as your alerts again' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect(page.getByLabel('colours of their own')).toBeChecked()
  await page.goto(`${demo.url}/trail`)
  await expect(page.getByText('changed the channel’s settings, its name')).toBeVisible()
  await page.getByLabel('About what').selectOption('air')
  await expect(page.getByText('changed the channel’s settings')).toHaveCount(0)
  const csv = await page.request.get(`${demo.url}/api/trail?as=csv`)
  expect(await csv.text()).toContain('changed the channel’s settings')
})

test('a moderator sees how it is and changes nothing; bad values are refused by name', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('moderator')
  await page.goto(`${demo.url}/channel`)
  await expect(page.getByText('Owners change these')).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toBeDisabled()
  await expect(page.getByRole('link', { name: 'Keys' })).toHaveCount(0)
  await signIn('owner')
  const now = (await (await page.request.get(`${demo.url}/api/channel/settings`)).json()) as object
  for (const [wrong, words] of [
    [{ timeZone: 'Oven/Hot' }, 'a time zone such as'],
    [{ locale: 'not a language' }, 'a language such as'],
    [{ name: ' ' }, 'your viewers know it by a name'],
    [{ currency: 'bread' }, 'a currency such as'],
  ] as const) {
    const answer = await page.request.put(`${demo.url}/api/channel/settings`, { data: { ...now, ...wrong } })
    expect([answer.status(), await answer.text()]).toEqual([422, expect.stringContaining(words)])
  }
  // Two hundred letters of any script are a name.
  for (const name of ['ü'.repeat(200), '字'.repeat(200), 'ع'.repeat(200), '👩‍🍳'.repeat(40)]) {
    const answer = await page.request.put(`${demo.url}/api/channel/settings`, { data: { ...now, name } })
    expect(((await answer.json()) as { name: string }).name).toBe(name)
  }
  await page.goto(`${demo.url}/boxes`)
  await expectNoFaults(page, artwork)
  await page.request.put(`${demo.url}/api/channel/settings`, { data: now })
})

test('somebody is forgotten: nobody finds them any more, and what they gave stays', async ({ page, demo, signIn }) => {
  await signIn()
  await deliverNotices(demo, followNotice('Forget Me', 'cu-forget'))
  await page.goto(`${demo.url}/history`)
  await page.getByRole('link', { name: 'Forget Me' }).first().click()
  await expect(page.getByRole('heading', { name: 'Forget Me' })).toBeVisible()
  await page.getByRole('button', { name: 'Forget this viewer…' }).click()
  await expect(page.getByText('It cannot be taken back.')).toBeVisible()
  await expectNoFaults(page, artwork)
  await page.getByRole('button', { name: 'Forget for good' }).click()
  await expect(page.getByRole('heading', { name: 'History', exact: true })).toBeVisible()
  const all = await page.request.get(`${demo.url}/api/history?as=ndjson`)
  const text = await all.text()
  expect(text).not.toContain('Forget Me')
  expect(text).not.toContain('"cu-forget"')
  expect(text).toContain('"somebody"')
  const feeds = await page.request.get(`${demo.url}/api/channel/feeds`)
  expect(await feeds.text()).not.toContain('Forget Me')
})

test('what things take is seen, what is unused goes, and how long things are kept is chosen', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/keeping`)
  await expect(page.getByText('free on the server')).toBeVisible()
  await expect(page.getByText('No file is out of the library and unused')).toBeVisible()
  await expectNoFaults(page, artwork)
  // A file of their own that nothing uses, taken out of the library.
  const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { id: string; name: string }[]
  }
  const used = await page.request.get(`${demo.url}/api/boxes`)
  const documents = await used.text()
  const triggers = await (await page.request.get(`${demo.url}/api/triggers`)).text()
  const free = media.find(({ id }) => !documents.includes(id) && !triggers.includes(id))
  expect(free).toBeDefined()
  expect((await page.request.delete(`${demo.url}/api/channel/media/${free?.id}`)).ok()).toBe(true)
  await page.reload()
  await expect(page.getByText('1 file out of the library')).toBeVisible()
  await page.getByRole('button', { name: 'Remove it for good' }).click()
  await expect(page.getByText('No file is out of the library and unused')).toBeVisible()

  // Nothing is older than a year: it holds at once.
  await page.getByLabel('The history').selectOption('365')
  await expect(page.getByText('Kept so from now on.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('The history')).toHaveValue('365')
  const backup = await page.request.get(`${demo.url}/api/channel/backup`)
  expect([backup.status(), backup.headers()['content-type']]).toEqual([200, 'application/x-tar'])
  expect((await backup.body()).subarray(0, 17).toString()).toBe('thundercrest.json')
})
