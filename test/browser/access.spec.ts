import { showNamed } from '../arrange/room.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'access' })

test('the doors are accessible', async ({ page, demo }) => {
  await page.goto(`${demo.url}/sign-in`)
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expectNoFaults(page, artwork)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByText('an e-mail address, please')).toBeVisible()
  await expectNoFaults(page, artwork)
})

for (const scheme of ['night', 'daybreak']) {
  test(`every screen is accessible by ${scheme}`, async ({ page, demo, signIn }) => {
    // A dozen screens, each looked through whole.
    test.slow()
    await page.addInitScript((wanted) => localStorage.setItem('thundercrest.scheme', wanted), scheme)
    await signIn()
    for (const [path, heading] of [
      ['/boxes', 'Boxes'],
      ['/feeds', 'Feeds'],
      ['/desk', 'Waiting'],
      ['/policy', 'How Night counter behaves on air'],
      ['/rehearsal', 'The night of the long queue'],
      ['/rehearsal/check', 'Five-minute check'],
      ['/history', 'History'],
      ['/after', 'Broadcasts'],
      ['/media', 'Media'],
      ['/tips', 'Tips'],
      ['/tip/channel-lantern-loaf', 'A loaf for the night bakers'],
      ['/goals', 'Goals'],
      ['/sponsors', 'Sponsors'],
      ['/boards', 'Boards'],
      ['/rates', 'Rates'],
      ['/people', 'People'],
      ['/channel', 'Settings'],
      ['/keys', 'Keys'],
      ['/trail', 'What happened here'],
      ['/keeping', 'Backup and room'],
      ['/account', 'Your account'],
      ['/triggers', 'What viewers can set off'],
      ['/triggers/points', 'crumbs'],
      ['/triggers/redemptions', 'Set off lately'],
      ['/triggers/studio', 'Studio'],
      ['/list/channel-lantern-loaf', 'What you can set off'],
      ['/stand-ins/chat/feed-alder', 'Alder'],
      [`/boxes/${demo.boxes[0]?.id}`, 'Headline'],
    ] as const) {
      await page.goto(demo.url + path)
      await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible()
      await page.waitForTimeout(700)
      await expectNoFaults(page, artwork)
    }
    for (const lane of ['Picture', 'Sound']) {
      await page.getByRole('button', { name: lane, exact: true }).click()
      await expectNoFaults(page, artwork)
    }
    await page.getByRole('button', { name: 'Source', exact: true }).click()
    await expect(page.getByRole('dialog').getByRole('heading')).toBeVisible()
    await page.waitForTimeout(300)
    await expectNoFaults(page, artwork)
  })
}

test.describe('the score room', () => {
  test('has papers that are accessible', async ({ page, demo, signIn }) => {
    // Eleven papers, each looked through whole.
    test.slow()
    await signIn()
    await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}`)
    await page.getByRole('button', { name: 'Tip', exact: true }).click()
    await showNamed(page, 'long')
    for (const lane of ['Scatter', 'Viewer’s message', 'Second line']) {
      await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: lane, exact: true }).click()
      await page.waitForTimeout(400)
      await expectNoFaults(page, artwork)
    }
    for (const fold of [/^Letters/, /^Keyframes/]) await page.getByRole('button', { name: fold }).click()
    await expectNoFaults(page, artwork)
    await page.getByRole('application').focus()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('heading', { name: 'Worth a look' })).toBeVisible()
    await expectNoFaults(page, artwork)
    for (const paper of [/^Zones/, /^Look of this box/]) {
      await page.getByRole('button', { name: paper }).click()
      await expectNoFaults(page, artwork)
    }
    await page.getByRole('button', { name: 'On air', exact: true }).click()
    for (const tab of ['What changes', 'Side by side', 'Earlier versions']) {
      await page.getByRole('tab', { name: tab }).click()
      await page.waitForTimeout(300)
      await expectNoFaults(page, artwork)
    }
    await page.keyboard.press('Escape')
    await page.getByRole('application').focus()
    await page.keyboard.press('Shift+?')
    await expect(page.getByRole('dialog').getByRole('heading', { name: 'Keys' })).toBeVisible()
    await expectNoFaults(page, artwork)
  })
})

test('nothing is fetched from anywhere but the server itself', async ({ page, demo, signIn }) => {
  const strange: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(demo.url) && !request.url().startsWith('data:') && !request.url().startsWith('blob:'))
      strange.push(request.url())
  })
  await signIn()
  for (const path of ['/boxes', '/feeds', '/desk', `/boxes/${demo.boxes[0]?.id}`]) {
    await page.goto(demo.url + path)
    await page.waitForTimeout(800)
  }
  expect(strange).toEqual([])
})

test('the command palette goes everywhere by keyboard', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(`${demo.url}/feeds`)
  await expect(page.getByRole('heading', { name: 'Feeds', exact: true })).toBeVisible()
  await page.keyboard.press('ControlOrMeta+k')
  await page.getByRole('combobox').fill('desk of street')
  await expect(page.getByRole('option', { name: 'Desk of Street window' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/desk\?box=box-street-window/)
})
