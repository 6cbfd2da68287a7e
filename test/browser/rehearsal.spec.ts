import type { Page } from '@playwright/test'
import { expectNoFaults, artwork } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'rehearsal' })

const policies = (page: Page) => page.getByRole('region', { name: 'Two policies' })
const advice = (page: Page) => page.getByRole('region', { name: 'What would help' })
const line = (page: Page, name: string) => policies(page).getByRole('row', { name })
const moment = (page: Page) => page.getByRole('slider', { name: 'A moment of the night' })

test('a night is rehearsed, two policies stand beside each other, an advice becomes the draft, and is taken back', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const boxId = demo.boxes[1]?.id
  await page.goto(`${demo.url}/rehearsal?box=${boxId}`)
  await expect(page.getByText(/^904 events from 22:00 to 03:59 · Street window · run in \d/)).toBeVisible()
  await expect(line(page, 'shared another’s alert')).toContainText('00')
  await expect(line(page, '19 of 20 wait less than')).toContainText(/min/)
  await expect(advice(page)).toContainText('Follows that wait and came within 10 s become one.')
  await expect(advice(page)).toContainText(/ → \d+(\.\d)? s\. \d+ more viewers share an alert\./)
  await expectNoFaults(page, artwork)

  // By the mouse: what came in the raid, and its alert as it would be seen.
  const area = await moment(page).boundingBox()
  // Twenty to one is at four ninths of six hours; beside what is drawn there is room for numbers.
  const at = { x: (area?.x ?? 0) + 66 + ((area?.width ?? 0) - 80) * 0.4486, y: (area?.y ?? 0) + 80 }
  await page.mouse.move(at.x, at.y)
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^00:4\d · \d+ came\. A: up to .* late/)
  await page.mouse.click(at.x, at.y)
  const close = page.getByRole('button', { name: 'Close what came' })
  await expect(close).toBeVisible()
  const looked = page.getByRole('region').filter({ has: close })
  await expect(looked).toContainText(/B\s*shown \d+ min/)
  await expect(looked.locator('[data-part]').first()).toBeAttached()

  await page.getByRole('button', { name: 'Make it the draft' }).click()
  // The way back stays while one points at it, however long the rest takes.
  await page.getByText('It is the draft now.').hover()
  await expect(line(page, '19 of 20 wait less than')).toContainText(/ s$/)
  await expect(policies(page).getByLabel('What A is')).toHaveValue('air')
  await expect(advice(page)).toContainText('Nothing has to be changed')
  // What is looked at has become something else.
  await expect(looked).toContainText(/B\s*(shared another’s alert|shown) (at once|\d+(\.\d)? s late)/)
  await close.press('Enter')
  await expect(close).toHaveCount(0)
  const policyOf = async () =>
    ((await (await page.request.get(`${demo.url}/api/boxes/${boxId}`)).json()) as { document: { policy: object[] } })
      .document.policy
  await expect.poll(policyOf).toMatchObject([{ rule: 'gap' }, { rule: 'merge', kinds: ['follow'], withinMs: 10_000 }])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(advice(page)).toContainText('become one')
  await expect.poll(policyOf).toMatchObject([{ rule: 'gap' }])
})

test('by keyboard: along the night, nearer, what came then; another night by dials, and one from a file', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/rehearsal`)
  await expect(page.getByText(/904 events .* run in/)).toBeVisible()
  await moment(page).focus()
  await page.keyboard.press('Home')
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^22:00 · /)
  await page.keyboard.press('ArrowRight')
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^22:03 · /)
  await page.keyboard.press('Shift+ArrowRight')
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^22:33 · /)
  await page.keyboard.press('+')
  await expect(page.getByRole('button', { name: 'The whole night' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Close what came' })).toBeVisible()
  await moment(page).focus()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'The whole night' })).toHaveCount(0)

  await page.getByRole('button', { name: 'Another night' }).focus()
  await page.keyboard.press('Enter')
  await page.getByLabel('One that never was').focus()
  await page.keyboard.press('Space')
  await page.getByLabel('It lasts').focus()
  await page.keyboard.press('Home')
  await expectNoFaults(page, artwork)
  await page.getByRole('button', { name: 'Rehearse it' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'A night that never was' })).toBeVisible()
  await expect(page.getByText(/^\d{3} events .* run in/)).toBeVisible()

  const events = (count: number, of: (at: number) => object) =>
    Array.from({ length: count }, (_, at) =>
      JSON.stringify({
        ...{ specversion: '1.0', id: `e-${at}`, source: 'feed:old', type: 'thundercrest.event.follow.v1' },
        time: new Date(Date.UTC(2026, 10, 20, 21) + at * 1000).toISOString(),
        data: { viewer: { id: `v-${at}`, name: `viewer ${at}` } },
        ...of(at),
      }),
    ).join('\n')
  const rehearse = async (name: string, text: string) => {
    await page.getByRole('button', { name: 'Another night' }).click()
    await page
      .getByLabel('File with a night')
      .setInputFiles({ name, mimeType: 'application/x-ndjson', buffer: Buffer.from(text) })
    await page.getByRole('button', { name: 'Rehearse it' }).click()
  }
  // Out of order, told twice, from next year, with a test among them.
  const odd = `${events(40, (at) => (at === 3 ? { istest: true } : {}))}\n${events(5, () => ({}))}\n`
  await rehearse('odd.ndjson', odd)
  await expect(page.getByText(/^40 events .* · 4 told twice · 1 test left out · /)).toBeVisible()
  await rehearse('broken.ndjson', `${events(2, () => ({}))}\n{"specversion":"1.0"}\n`)
  await expect(page.getByRole('alert')).toContainText('Line 3: ')
  await rehearse('empty.ndjson', '\n\n')
  await expect(page.getByText('There is nothing to rehearse in this night.')).toBeVisible()
})

test('a broadcast of this channel is a night, and a moderator who may not change the box still rehearses', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('moderator')
  await page.goto(`${demo.url}/rehearsal`)
  await expect(page.getByText(/904 events .* run in/)).toBeVisible()
  await page.getByRole('button', { name: 'Another night' }).click()
  await page.getByLabel('One of your broadcasts').check()
  const list = page.getByLabel('Broadcast', { exact: true })
  const first = await list.locator('option').first().innerText()
  await page.getByRole('button', { name: 'Rehearse it' }).click()
  await expect(page.getByRole('heading', { name: first })).toBeVisible()
  await expect(page.getByText(/^\d+ events .* run in/)).toBeVisible()
  await expect(page.getByRole('button', { name: /the draft$/ })).toHaveCount(0)
  const { broadcasts } = (await (await page.request.get(`${demo.url}/api/broadcasts`)).json()) as {
    broadcasts: { id: string }[]
  }
  const night = await page.request.get(`${demo.url}/api/nights/${broadcasts[0]?.id}`)
  expect(night.headers()['content-type']).toBe('application/x-ndjson')
  const lines = (await night.text()).trim().split('\n')
  expect(lines.every((each) => (JSON.parse(each) as { type: string }).type.startsWith('thundercrest.event.'))).toBe(
    true,
  )
  expect((await page.request.get(`${demo.url}/api/nights/none`)).status()).toBe(404)
})
