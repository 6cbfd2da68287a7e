import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import { box, saved, setWords } from '../arrange/room.ts'

test.use({ serverFor: 'rules' })

const send = (page: Page, demo: DemoFile, kind: string, id: string, data: object) =>
  page.request.post(`${demo.url}/api/events`, {
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    data: { specversion: '1.0', id, source: 'test', type: `thundercrest.event.${kind}.v1`, time: new Date().toISOString(), data },
  })
interface DecidedEvent {
  kind: string
  externalId: string
  decisions: { boxId: string; variationName: string | null; reason: string }[]
}

/** Every event of the channel with what was decided about it. */
async function eventsOf(page: Page, demo: DemoFile): Promise<DecidedEvent[]> {
  const all: DecidedEvent[] = []
  for (let after = 0; ; ) {
    const answer = await page.request.get(`${demo.url}/api/events?after=${after}&limit=100`, { headers: { authorization: `Bearer ${demo.apiKey}` } })
    const { events, nextAfter } = (await answer.json()) as { events: DecidedEvent[]; nextAfter: number }
    if (events.length === 0) return all
    all.push(...events)
    after = nextAfter
  }
}
const axis = (page: Page) => page.getByRole('group', { name: /^Which case plays/ })
const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' })

async function addCase(page: Page, name: string, is: string | null, value: string): Promise<void> {
  await inspector(page).getByRole('button', { name: /^Add a case/ }).click()
  await page.getByLabel('Name of case 1').fill(name)
  await page.keyboard.press('Tab')
  if (is) {
    await inspector(page).getByRole('button', { name: /^How, 1/ }).click()
    await page.getByRole('option', { name: is, exact: true }).click()
  }
  await page.getByLabel('Value 1', { exact: true }).fill(value)
  await page.keyboard.press('Tab')
}

test('build the cases of a resub from nothing, see one that never plays, mend it by one click, and read why it played', async ({ page, demo, signIn, context }) => {
  await signIn()
  await page.goto(`${box(demo, 1)}`)
  await page.getByRole('button', { name: 'Add an alert for another kind of event' }).click()
  await page.getByRole('menuitem', { name: 'Resub' }).click()
  await setWords(page, 'Headline', '{name}, {months} months')
  await page.getByRole('button', { name: 'Everyday: plays for each one' }).click()
  // The later one is asked first, so what is added last comes first.
  await addCase(page, 'Year of bread', 'is exactly', '12')
  await addCase(page, 'Regular', null, '2')
  await expect(page.getByText('“Year of bread” never plays: another case comes first.')).toBeVisible()
  await expect(inspector(page).getByText('It never plays: “Regular” comes first every time.')).toBeVisible()
  await expect(axis(page).getByRole('button', { name: /Year of bread/ })).toHaveCount(0)
  await inspector(page).getByRole('button', { name: 'Put it before “Regular”' }).click()
  await expect(axis(page).getByRole('button', { name: 'months 12: Year of bread' })).toBeVisible()
  await expect(axis(page).getByRole('button', { name: 'months 2 to 11: Regular' })).toBeVisible()
  await expect(axis(page).getByRole('button', { name: 'months from 13: Regular' })).toBeVisible()
  // The stage shows an event that the case is for.
  await axis(page).getByRole('button', { name: 'months 12: Year of bread' }).click()
  await expect(page.getByRole('application').locator('[data-part=headline]')).toHaveText('pip_rye, 12 months')
  await axis(page).getByRole('button', { name: 'months 0 to 1: Everyday' }).click()
  await expect(page.getByRole('application').locator('[data-part=headline]')).toHaveText('pip_rye, 1 months')
  expect((await new AxeBuilder({ page }).exclude('[data-part]').analyze()).violations).toEqual([])
  await expect(saved(page)).toBeVisible()
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await page.getByRole('button', { name: /on air$/ }).last().click()
  await expect(page.getByText('On air: version 2')).toBeVisible()

  const source = await context.newPage()
  await source.goto(demo.boxes[1]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  expect((await send(page, demo, 'resubscription', 'year-1', { viewer: { id: 'v', name: 'MarrowHat' }, tier: 1, months: 12 })).status()).toBe(202)
  await untilState(source, 'playing')
  expect(await source.locator('html').getAttribute('data-variation')).toBe('Year of bread')
  await untilState(source, 'waiting')
  await page.goto(`${demo.url}/desk?box=${demo.boxes[1]?.id}`)
  await page.getByRole('button', { name: 'Why Year of bread for MarrowHat' }).click()
  const why = page.getByRole('dialog')
  await expect(why.getByText('“Year of bread” plays because months is exactly 12 (it is 12).')).toBeVisible()
  await expect(why.getByText('would hold too, but comes later').first()).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
})

test('every kind arrives from a simulated platform over its signed route, and month twelve plays its case', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await page.goto(`${demo.url}/feeds`)
  const alder = page.getByRole('group', { name: 'Simulated Alder' })
  await alder.getByRole('button', { name: /^What it sends/ }).click()
  await page.getByRole('option', { name: 'Resub', exact: true }).click()
  await alder.getByLabel('Months').fill('12')
  await page.keyboard.press('Tab')
  await alder.getByRole('button', { name: 'Send one' }).click()
  await expect(alder.getByText('1 event accepted.')).toBeVisible()
  const heard = (await eventsOf(page, demo)).findLast(({ kind }) => kind === 'resubscription')
  expect(heard?.decisions.find(({ boxId }) => boxId === 'box-night-counter')).toMatchObject({ variationName: 'A year of bread', reason: '“A year of bread” plays because months is exactly 12 (it is 12).' })

  for (const [platform, { kinds }] of Object.entries(platforms)) {
    for (const kind of kinds) {
      const answer = await page.request.post(`${demo.url}/api/feeds/feed-${platform}/simulations`, { data: { kind } })
      expect([platform, kind, answer.status(), await answer.json()]).toEqual([platform, kind, 200, { accepted: 1, repeated: 0, rejected: 0 }])
    }
  }
  expect((await page.request.post(`${demo.url}/api/feeds/feed-cedar/simulations`, { data: { kind: 'applause' } })).status()).toBe(422)
  await signIn('moderator')
  expect((await page.request.post(`${demo.url}/api/feeds/feed-cedar/simulations`, { data: { kind: 'raid' } })).status()).toBe(403)
})

test('the cases of the demo’s table play as it says', async ({ page, demo, signIn }) => {
  await signIn()
  const wanted: [kind: string, data: object, variation: string][] = [
    ...([[1, 'Everyday'], [2, 'Again'], [11, 'Again'], [12, 'A year of bread'], [13, 'Again'], [24, 'Two years and more'], [80, 'Two years and more']] as const).map(([months, name]): [string, object, string] => ['resubscription', { tier: 1, months }, name]),
    ...([[4, 'Everyday'], [5, 'A tray of five'], [19, 'Everyday'], [20, 'The whole rack']] as const).map(([count, name]): [string, object, string] => ['giftBatch', { tier: 1, count, groupId: 'g' }, name]),
    ...([[499, 'Everyday'], [500, 'Slice'], [1999, 'Slice'], [2000, 'Loaf'], [9999, 'Loaf'], [10_000, 'Oven on fire']] as const).map(([amountMinor, name]): [string, object, string] => ['tip', { amountMinor, currency: 'EUR' }, name]),
    ['raid', { partySize: 49 }, 'Everyday'],
    ['raid', { partySize: 50 }, 'A queue at the door'],
  ]
  for (const [index, [kind, data]] of wanted.entries()) expect((await send(page, demo, kind, `table-${index}`, { viewer: { id: 'v', name: 'Zoë' }, ...data })).status()).toBe(202)
  const events = await eventsOf(page, demo)
  const played = wanted.map((_, index) => events.find(({ externalId }) => externalId === `table-${index}`)?.decisions.find(({ boxId }) => boxId === 'box-night-counter')?.variationName)
  expect(played).toEqual(wanted.map(([, , variation]) => variation))
})
