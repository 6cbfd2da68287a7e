import type { Page } from '@playwright/test'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'goals' })

let tips = 0
async function tip(page: Page, demo: DemoFile, amountMinor: number, currency = 'EUR'): Promise<void> {
  const answer = await page.request.post(`${demo.url}/api/events`, {
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    data: {
      ...{ specversion: '1.0', id: `goal-${tips++}`, source: 'test', type: 'thundercrest.event.tip.v1' },
      data: { viewer: { id: 'v', name: 'Tomé Brandão' }, amountMinor, currency },
    },
  })
  expect(await answer.json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
}
const chosen = (page: Page) => page.getByRole('region', { name: 'The chosen goal' })
const set = async (page: Page, sentence: string, field: string, value: string) => {
  await chosen(page)
    .getByRole('button', { name: new RegExp(`^${sentence} `) })
    .click()
  const typed = chosen(page).getByRole('spinbutton', { name: field, exact: true })
  await typed.fill(value)
  await typed.press('Tab')
}

test('a goal is made, counts what happens at once, is reached once, and can be checked and corrected', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn('editor')
  await page.goto(`${demo.url}/goals`)
  const now = page.getByRole('list', { name: 'Now' })
  await expect(now.getByRole('button', { name: /New oven fund.*€\d+.* of €1,000/ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Past goals' }).getByText('A bell for the oven')).toBeVisible()
  await page.getByRole('button', { name: 'New goal' }).click()
  const title = chosen(page).getByLabel('Title of the goal')
  await expect(title).toHaveValue('New goal')
  await title.fill('A second kettle')
  await title.press('Enter')
  const kettle = now.getByRole('button', { name: /A second kettle/ })
  await expect(kettle).toContainText('€0 of €1,000')
  await set(page, 'Target', 'Target', '50')
  await expect(kettle).toContainText('€0 of €50')
  await set(page, 'Begins with', 'What is there at the start', '12.50')
  await expect(kettle).toContainText('€12.50 of €50')

  await tip(page, demo, 2500)
  await expect(kettle).toContainText('€37.50 of €50')
  const happened = chosen(page).getByRole('list', { name: 'What happened' })
  await expect(happened.getByRole('listitem')).toHaveText([/Tomé Brandão\s*tip, .*\+€25/])
  await tip(page, demo, 5000, 'SEK')
  // A test moves nothing.
  const before = await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id ?? ''}/tests`, {
    headers: { origin: demo.url },
    data: { kind: 'tip' },
  })
  expect(before.status()).toBe(202)
  await tip(page, demo, 2000)
  await expect(kettle).toContainText('€57.50 of €50')
  await expect(kettle).toContainText('all of it reached')
  // Another currency counts by its rate, and nothing where there is none.
  await expect(happened.getByText('no rate for its currency')).toBeVisible()
  const reached = async () => {
    const answer = await page.request.get(`${demo.url}/api/events?limit=500`, {
      headers: { authorization: `Bearer ${demo.apiKey}` },
    })
    const { events } = (await answer.json()) as { events: { kind: string; data: { goalTitle?: string } }[] }
    return events.filter(({ kind, data }) => kind === 'goalReached' && data.goalTitle === 'A second kettle').length
  }
  await expect.poll(reached).toBe(1)

  await chosen(page).getByRole('button', { name: 'Correct it…' }).click()
  await chosen(page).getByLabel('By how much').fill('-30')
  await chosen(page).getByLabel('Why').fill('counted twice')
  await chosen(page).getByRole('button', { name: 'Correct', exact: true }).click()
  await expect(kettle).toContainText('€27.50 of €50')
  await expect(chosen(page).getByRole('list', { name: 'Corrections' })).toContainText('counted twice')
  await tip(page, demo, 3000)
  await expect(kettle).toContainText('€57.50 of €50')
  expect(await reached()).toBe(1)
  await expectNoFaults(page, '[data-sonner-toaster]')

  await chosen(page).getByRole('button', { name: 'End it', exact: true }).click()
  await expect(page.getByRole('list', { name: 'Past goals' }).getByText('A second kettle')).toBeVisible()
  await page.locator('[data-sonner-toaster]').getByRole('button', { name: 'Undo' }).click()
  await expect(kettle).toBeVisible()
})
