import type { Page } from '@playwright/test'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'rehearsal' })

const rehearsed = (page: Page, events = '904') =>
  expect(page.getByText(new RegExp(`^${events} events .* run in`))).toBeVisible({ timeout: 60_000 })
const moment = (page: Page) => page.getByLabel('Moment of the night that is played')
const player = (page: Page) => page.getByRole('region', { name: 'The night as it would be seen' })
const shown = (page: Page) => player(page).locator('[data-part]:visible').first()
const minuteOf = async (page: Page) => Number(await moment(page).inputValue()) / 60_000

interface Told {
  id: string
  type: string
  atS: number
  data: object
}
const beginMs = Date.UTC(2026, 10, 20, 21)
const lineOf = ({ id, type, atS, data }: Told) =>
  JSON.stringify({
    ...{ specversion: '1.0', id, source: 'feed:feed-alder', type: `thundercrest.event.${type}.v1`, data },
    time: new Date(beginMs + atS * 1_000).toISOString(),
  })
async function takeFile(page: Page, name: string, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Another night' }).click()
  const buffer = Buffer.from(text)
  await page.getByLabel('File with a night').setInputFiles({ name, mimeType: 'application/x-ndjson', buffer })
  await page.getByRole('button', { name: 'Rehearse it' }).click()
}
const by = (name: string) => ({ viewer: { id: name, name } })
const redeemed = (id: string, atS: number, name: string, rewardId: string): Told => ({
  ...{ id, type: 'redemption', atS },
  data: { ...by(name), reward: { id: rewardId, title: rewardId, costPoints: 800 } },
})

test('a night is played on the real player: as fast as wished, paused, from burst to burst; no source sees it', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const source = await page.context().newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await expect(source.locator('html')).toHaveAttribute('data-state', 'waiting')
  await source.evaluate(() => document.addEventListener('thundercrest:play', () => (document.title = 'played')))
  await page.goto(`${demo.url}/rehearsal?box=${demo.boxes[0]?.id}`)
  await rehearsed(page)
  await page.getByRole('button', { name: /^Play from \d\d:\d\d, ×8$/ }).click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeFocused()
  await expect(shown(page)).toBeVisible()
  const began = await minuteOf(page)
  await expect.poll(() => minuteOf(page)).toBeGreaterThan(began + 0.3)
  await expectNoFaults(page, artwork)

  // By the keyboard: paused, it stands still and what is shown stays.
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeFocused()
  const stands = await minuteOf(page)
  await page.getByRole('button', { name: 'To the next burst' }).focus()
  await page.keyboard.press('Enter')
  await expect.poll(() => minuteOf(page)).not.toBe(stands)
  // The late tray of gifts comes after five hours and ten minutes.
  const burst = page.getByRole('button', { name: 'To the burst before' })
  for (let step = 0; step < 3 && (await page.getByRole('button', { name: 'To the next burst' }).isEnabled()); step++)
    await page.getByRole('button', { name: 'To the next burst' }).click()
  await expect(burst).toHaveAttribute('title', /in a minute, most of them /)
  await moment(page).focus()
  const late = await minuteOf(page)
  await page.keyboard.press('ArrowLeft')
  await expect.poll(() => minuteOf(page)).toBeLessThan(late)

  // Sixty times as fast an hour is a minute.
  await page.getByLabel('How fast').selectOption('60')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  const from = await minuteOf(page)
  await expect.poll(() => minuteOf(page)).toBeGreaterThan(from + 3)
  // Where the charts are pressed it goes on.
  const area = await page.getByRole('slider', { name: 'A moment of the night' }).boundingBox()
  await page.mouse.click((area?.x ?? 0) + 90, (area?.y ?? 0) + 70)
  await expect.poll(() => minuteOf(page)).toBeLessThan(from)

  await page.getByRole('button', { name: 'Close the player' }).click()
  await expect(page.getByRole('button', { name: /^Play from/ })).toBeFocused()
  await expect(source.locator('html')).toHaveAttribute('data-state', 'waiting')
  expect(await source.title()).not.toBe('played')
})

test('what viewers set off runs in it: who is refused and why, when the last went, and the studio switches', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/rehearsal?box=${demo.boxes[0]?.id}`)
  await rehearsed(page)
  const loaf = (at: number) => ({
    ...redeemed(`loaf-${at}`, 200 + at, `baker ${at}`, 'loaf'),
    data: {
      viewer: { id: `b-${at}`, name: `baker ${at}`, roles: ['subscriber'] },
      input: 'Old Rye',
      reward: { id: 'loaf', title: 'Name this loaf', costPoints: 500 },
    },
  })
  const night = [
    redeemed('o-1', 0, 'pip_rye', 'oven'),
    redeemed('o-2', 30, 'MarrowHat', 'oven'),
    redeemed('o-3', 90, 'sootkettle', 'oven'),
    ...Array.from({ length: 14 }, (_, at) => loaf(at)),
  ]
  await takeFile(page, 'triggers.ndjson', night.map(lineOf).join('\n'))
  await rehearsed(page, '17')
  const called = page.getByRole('region', { name: 'What viewers set off' })
  await expect(called.getByRole('row', { name: 'Oven cam for 15 seconds' })).toContainText(/3\s*2\s*1/)
  await expect(called).toContainText('1 × too soon after somebody else')
  await expect(called.getByRole('row', { name: 'Name this loaf' })).toContainText(/14\s*12\s*2/)
  await expect(called).toContainText(/2 × none were left · the last one went at 21:03/)
  await expect(
    page.getByRole('region', { name: 'Two policies' }).getByRole('row', { name: 'refused by a gate' }),
  ).toContainText('3')

  // Each of them can be looked at: from the table of who waited, too.
  await page.getByText('Waits by viewer').click()
  await page.getByLabel('Find a viewer').fill('marrow')
  await page.getByRole('button', { name: 'MarrowHat' }).click()
  await expect(page.getByRole('list', { name: 'What it set off' })).toContainText(
    'Oven cam for 15 seconds: refused: Not so soon',
  )

  await page.getByRole('button', { name: /^Play from/ }).click()
  await page.getByLabel('How fast').selectOption('1')
  await moment(page).fill(String(beginMs))
  await expect(player(page).getByText('Oven cam', { exact: true })).toBeVisible()
  await expect(player(page).getByText('mind the heat, pip_rye')).toBeVisible()
  await expect(player(page).getByText('Bench cam', { exact: true })).toBeVisible()
})

test('all boxes are rehearsed together, each with a way to what would help it', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(`${demo.url}/rehearsal`)
  await rehearsed(page)
  await page.getByRole('button', { name: 'All boxes together' }).click()
  await expect(page.getByText(/^904 events .* · all boxes · run in/)).toBeVisible()
  const byBox = page.getByRole('region', { name: 'By box' })
  await expect(byBox.getByRole('row')).toHaveCount(demo.boxes.length + 1)
  await expect(byBox.getByRole('row').nth(1)).toContainText('Street window')
  await expectNoFaults(page, artwork)
  await byBox.getByRole('row').nth(1).getByRole('link').click()
  await expect(page).toHaveURL(new RegExp(`box=${demo.boxes[1]?.id}`))
  await expect(page.getByRole('region', { name: 'What would help' })).toContainText('become one')
})

test('a hundred thousand events are given up at once, and rehearsed when they are wanted', async ({
  page,
  demo,
  signIn,
}) => {
  test.setTimeout(180_000)
  await signIn()
  await page.goto(`${demo.url}/rehearsal`)
  await rehearsed(page)
  const count = 100_000
  const text = Array.from({ length: count }, (_, at) =>
    lineOf({ id: `f-${at}`, type: 'follow', atS: at / 3, data: by(`viewer ${at % 5_000}`) }),
  ).join('\n')
  await takeFile(page, 'crowd.ndjson', text)
  // The page answers while it is worked on.
  await page.getByRole('button', { name: 'Give it up' }).click()
  await expect(page.getByText('It was given up.')).toBeVisible()
  await page.getByRole('button', { name: 'Rehearse it again' }).click()
  await expect(page.getByText(/^100,000 events .* run in/)).toBeVisible({ timeout: 120_000 })
  await expect(
    page.getByRole('region', { name: 'Two policies' }).getByRole('row', { name: 'alerts shown' }),
  ).toContainText(/\d{3,}/)
})
