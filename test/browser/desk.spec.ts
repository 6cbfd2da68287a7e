import { deliverNotices, followNotice } from '../arrange/cedar.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { oneByOne } from '../arrange/policies.ts'

test.use({ serverFor: 'desk' })

test('hold, skip and replay by one key each; the log says who and why', async ({ page, demo, signIn, context }) => {
  await oneByOne(demo)
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await signIn('moderator')
  await page.goto(`${demo.url}/desk`)
  const [waiting, onAir, log] = ['Waiting', 'On air', 'Log'].map((name) => page.getByRole('region', { name }))
  await expect(page.getByText('Quiet. The next alert shows here as it plays.')).toBeVisible()

  await page.keyboard.press('h')
  await expect(onAir!.getByText('Held. Nothing starts until you let it go on.')).toBeVisible()
  await deliverNotices(demo, followNotice('caraway_owl'), followNotice('<b>bold</b>'))
  await expect(waiting!.getByText('caraway_owl')).toBeVisible()
  await expect(waiting!.getByText('<b>bold</b>')).toBeVisible()
  await source.waitForTimeout(800)
  await untilState(source, 'waiting')

  await page.keyboard.press('h')
  await untilState(source, 'playing')
  await expect(onAir!.locator('[data-part=headline]')).toHaveText('caraway_owl')
  await page.keyboard.press('s')
  await expect(log!.getByText('skipped by tallowmoth').first()).toBeVisible()
  await expect(source.getByText('<b>bold</b>')).toBeVisible()
  await expect(onAir!.locator('[data-part=second]')).toBeAttached()
  await page.keyboard.press('s')
  await untilState(source, 'waiting')
  await expect(log!.getByText('<b>bold</b>')).toBeVisible()
  await page.keyboard.press('r')
  await untilState(source, 'playing')
  await expect(source.getByText('<b>bold</b>')).toBeVisible()
})

test('the desk can be used on a phone', async ({ page, demo, signIn }) => {
  await page.setViewportSize({ width: 390, height: 800 })
  await signIn('moderator')
  await page.goto(`${demo.url}/desk`)
  await expect(page.getByRole('button', { name: /Hold/ })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
