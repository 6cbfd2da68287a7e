import type { Page } from '@playwright/test'
import { eventsOf } from '../arrange/events.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState, watchPlays } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'
import type { Alert } from '../../core/composition/box.ts'
import type { Rule } from '../../core/rules/schema.ts'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { box, putOnAir, saved, setWords } from '../arrange/room.ts'

test.use({ serverFor: 'rules' })

const send = (page: Page, demo: DemoFile, kind: string, id: string, data: object) =>
  page.request.post(`${demo.url}/api/events`, {
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    data: {
      specversion: '1.0',
      id,
      source: 'test',
      type: `thundercrest.event.${kind}.v1`,
      time: new Date().toISOString(),
      data,
    },
  })
const axis = (page: Page) => page.getByRole('group', { name: /^Which case plays/ })
const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' })

async function addCase(page: Page, name: string, is: string | null, value: string): Promise<void> {
  await inspector(page)
    .getByRole('button', { name: /^Add a case/ })
    .click()
  await page.getByLabel('Name of case 1').fill(name)
  await page.keyboard.press('Tab')
  if (is) {
    await inspector(page)
      .getByRole('button', { name: /^How, 1/ })
      .click()
    await page.getByRole('option', { name: is, exact: true }).click()
  }
  await page.getByLabel('Value 1', { exact: true }).fill(value)
  await page.keyboard.press('Tab')
}

test('build the cases of a resub from nothing, see one that never plays, mend it by one click, and read why it played', async ({
  page,
  demo,
  signIn,
  context,
}) => {
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
  await expectNoFaults(page, artwork)
  await putOnAir(page, 2)

  const source = await context.newPage()
  await source.goto(demo.boxes[1]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  expect(
    (
      await send(page, demo, 'resubscription', 'year-1', {
        viewer: { id: 'v', name: 'MarrowHat' },
        tier: 1,
        months: 12,
      })
    ).status(),
  ).toBe(202)
  await untilState(source, 'playing')
  expect(await source.locator('html').getAttribute('data-variation')).toBe('Year of bread')
  await untilState(source, 'waiting')
  await page.goto(`${demo.url}/desk?box=${demo.boxes[1]?.id}`)
  await page.getByRole('button', { name: 'Why Year of bread for MarrowHat' }).click()
  const why = page.getByRole('dialog')
  await expect(why.getByText('“Year of bread” plays because months is exactly 12 (it is 12).')).toBeVisible()
  await expect(why.getByText('would hold too, but comes later').first()).toBeVisible()
  await expect(why.getByText('The draft as it is now would decide the same.')).toBeVisible()
  await expectNoFaults(page)
})

test('month twelve from a simulated platform plays its case', async ({ page, demo, signIn }) => {
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
  expect(heard?.decisions.find(({ boxId }) => boxId === 'box-night-counter')).toMatchObject({
    variationName: 'A year of bread',
    reason: '“A year of bread” plays because months is exactly 12 (it is 12).',
  })

  expect(
    (await page.request.post(`${demo.url}/api/feeds/feed-cedar/simulations`, { data: { kind: 'applause' } })).status(),
  ).toBe(422)
  await signIn('moderator')
  expect(
    (await page.request.post(`${demo.url}/api/feeds/feed-cedar/simulations`, { data: { kind: 'raid' } })).status(),
  ).toBe(403)
})

test('the cases of the demo’s table play as it says', async ({ page, demo, signIn }) => {
  await signIn()
  const wanted: [kind: string, data: object, variation: string][] = [
    ...(
      [
        [1, 'Everyday'],
        [2, 'Again'],
        [11, 'Again'],
        [12, 'A year of bread'],
        [13, 'Again'],
        [24, 'Two years and more'],
        [80, 'Two years and more'],
      ] as const
    ).map(([months, name]): [string, object, string] => ['resubscription', { tier: 1, months }, name]),
    ...(
      [
        [4, 'Everyday'],
        [5, 'A tray of five'],
        [19, 'Everyday'],
        [20, 'The whole rack'],
      ] as const
    ).map(([count, name]): [string, object, string] => ['giftBatch', { tier: 1, count, groupId: 'g' }, name]),
    ...(
      [
        [499, 'Everyday'],
        [500, 'Slice'],
        [1999, 'Slice'],
        [2000, 'Loaf'],
        [9999, 'Loaf'],
        [10_000, 'Oven on fire'],
      ] as const
    ).map(([amountMinor, name]): [string, object, string] => ['tip', { amountMinor, currency: 'EUR' }, name]),
    ['raid', { partySize: 49 }, 'Everyday'],
    ['raid', { partySize: 50 }, 'A queue at the door'],
  ]
  for (const [index, [kind, data]] of wanted.entries())
    expect(
      (await send(page, demo, kind, `table-${index}`, { viewer: { id: 'v', name: 'Zoë' }, ...data })).status(),
    ).toBe(202)
  const events = await eventsOf(page, demo)
  const played = wanted.map(
    (_, index) =>
      events
        .find(({ externalId }) => externalId === `table-${index}`)
        ?.decisions.find(({ boxId }) => boxId === 'box-night-counter')?.variationName,
  )
  expect(played).toEqual(wanted.map(([, , variation]) => variation))
})

test('a boundary is moved by hand and by keyboard, and its neighbours stay neighbours', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${box(demo)}?kind=tip`)
  const boundary = (at: string) => axis(page).getByRole('slider', { name: `Boundary at the amount ${at}` })
  await boundary('€20.00').focus()
  await page.keyboard.press('ArrowRight')
  await expect(axis(page).getByRole('button', { name: 'the amount €21.00 to €99.99: Loaf' })).toBeVisible()
  await expect(axis(page).getByRole('button', { name: 'the amount €5.00 to €20.99: Slice' })).toBeVisible()
  const grip = await boundary('€21.00').boundingBox()
  const fire = await boundary('€100.00').boundingBox()
  if (!grip || !fire) throw new Error('both are drawn')
  await page.mouse.move(grip.x + grip.width / 2, grip.y + 8)
  await page.mouse.down()
  await page.mouse.move((grip.x + fire.x) / 2, grip.y + 8, { steps: 5 })
  await page.mouse.up()
  await expect(boundary('€21.00')).toHaveCount(0)
  const from = async () => {
    const loaf = axis(page).getByRole('button', { name: /: Loaf$/ })
    return Number(/€(\d+)\.\d\d to €99\.99/.exec((await loaf.getAttribute('aria-label')) ?? '')?.[1])
  }
  // The grip follows the hand at once, the stretches beside it a frame later.
  await expect.poll(from).toBeGreaterThan(30)
  expect(await from()).toBeLessThan(80)
  await page.keyboard.press('ControlOrMeta+z')
  await page.keyboard.press('ControlOrMeta+z')
  await expect(axis(page).getByRole('button', { name: 'the amount €20.00 to €99.99: Loaf' })).toBeVisible()
  await expect(saved(page)).toBeVisible()
})

test('a case for VIPs at night, by hand: asked in sentences, drawn in rows, tested on the source, and one more kind listens', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  const raid = shortAlert('raid')
  const { id, sourceUrl } = await boxOnAir(page, demo, 'By hand', [raid])
  await page.goto(`${demo.url}/boxes/${id}`)
  await page.getByRole('button', { name: 'Everyday: plays for each one' }).click()
  await inspector(page)
    .getByRole('button', { name: /^Add a case/ })
    .click()
  await page.getByLabel('Name of case 1').fill('Good friends')
  await page.keyboard.press('Tab')
  const ask = async (number: number, field: string) => {
    await inspector(page)
      .getByRole('button', { name: new RegExp(`^What is asked, ${number}`) })
      .click()
    await page.getByRole('option', { name: field, exact: true }).click()
  }
  await ask(1, 'the viewer’s role')
  await inspector(page).getByRole('checkbox', { name: 'VIP' }).check()
  await inspector(page).getByRole('checkbox', { name: 'subscriber' }).uncheck()
  await inspector(page).getByRole('button', { name: 'and ask something else' }).click()
  await ask(2, 'the time')
  await expect(inspector(page).getByText('the viewer’s role is VIP and the time is from 22:00 to 04:00')).toBeVisible()
  await inspector(page).getByLabel('Value 2, to').fill('22:00')
  await page.keyboard.press('Tab')
  await expect(page.getByText(/no time lies between these/)).toBeVisible()
  await inspector(page).getByRole('button', { name: 'Listen to another kind too' }).click()
  await page.getByRole('menuitem', { name: 'Follow', exact: true }).click()
  await expect(
    axis(page)
      .getByRole('button', { name: /Good friends/ })
      .first(),
  ).toBeVisible()
  await expectNoFaults(page, artwork)
  await putOnAir(page, 2)
  const source = await context.newPage()
  const plays = await watchPlays(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await inspector(page)
    .getByRole('button', { name: /^the viewer’s role is VIP/ })
    .click()
  await page.getByRole('button', { name: 'Test this case' }).click()
  await expect(page.getByText('Shown by 1 source')).toBeVisible()
  expect(await plays()).toHaveLength(1)
  const tested = (await eventsOf(page, demo)).at(-1)
  expect(tested).toMatchObject({ isTest: true, data: { viewer: { roles: ['vip'] } } })
  expect(tested?.decisions[0]).toMatchObject({
    variationName: 'Good friends',
    reason: expect.stringContaining('because the viewer’s role is VIP (it is VIP) and the time is from 22:00 to 04:00'),
  })
  await source.close()
})

test('the first time a viewer comes is told from the next, and from a test', async ({ page, demo, signIn }) => {
  await signIn()
  const first: Rule = { match: 'all', of: [{ field: 'visit', is: 'oneOf', values: ['first'] }] }
  const raid = shortAlert('raid')
  const [everyday] = raid.variations
  if (!everyday) throw new Error('it has one')
  const alert: Alert = {
    ...raid,
    variations: [{ ...everyday, id: 'raid-first', name: 'Welcome', rule: first }, everyday],
  }
  const { id } = await boxOnAir(page, demo, 'First time', [alert])
  const come = (eventId: string, viewerId: string) =>
    send(page, demo, 'raid', eventId, { viewer: { id: viewerId, name: 'Zoë' }, partySize: 3 })
  await page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'raid' } })
  // Together, so that what is still on its way to the database counts as well.
  await Promise.all([come('first-1', 'z-1'), come('first-2', 'z-2'), come('first-3', 'z-3')])
  await Promise.all([come('first-4', 'z-1'), come('first-1', 'z-1')])
  const decided = async (externalId: string) =>
    (await eventsOf(page, demo))
      .find((event) => event.externalId === externalId)
      ?.decisions.find(({ boxId }) => boxId === id)?.variationName
  expect([
    await decided('first-1'),
    await decided('first-2'),
    await decided('first-3'),
    await decided('first-4'),
  ]).toEqual(['Welcome', 'Welcome', 'Welcome', 'Everyday'])
  // Asked again later, the reasons are the same, and a past event can be seen once more without counting.
  const again = (await eventsOf(page, demo)).find(({ externalId }) => externalId === 'first-4')
  const path = `${demo.url}/api/boxes/${id}`
  expect(await (await page.request.get(`${path}/events/${again?.id}/why`)).json()).toMatchObject({
    reason: '“Everyday” plays: no special case before it applies.',
    draft: null,
  })
  const test = (await (await page.request.post(`${path}/tests`, { data: { eventId: again?.id } })).json()) as {
    reason: string
  }
  expect(test.reason).toBe('“Everyday” plays: no special case before it applies.')
  const forced = (await (await page.request.post(`${path}/tests`, { data: { variationId: 'raid-first' } })).json()) as {
    reason: string
  }
  expect(forced.reason).toBe('“Welcome” plays because for this viewer it is the first time (it is the first time).')
  expect((await page.request.post(`${path}/tests`, { data: { variationId: 'gone' } })).status()).toBe(404)
  expect((await page.request.post(`${path}/tests`, { data: {} })).status()).toBe(422)
})

test('the desk lists all that came, says why nothing played, and what the draft would do now', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const { id } = await boxOnAir(page, demo, 'Reasons', [shortAlert('raid')])
  await send(page, demo, 'applause', 'reason-1', { viewer: { id: 'v', name: 'kneadybeast' }, points: 500 })
  await page.request.patch(`${demo.url}/api/boxes/${id}/draft`, {
    data: {
      baseRevision: 1,
      patches: [{ op: 'replace', path: ['alerts'], value: [shortAlert('raid'), shortAlert('applause')] }],
    },
  })
  await page.goto(`${demo.url}/desk?box=${id}`)
  await page.getByRole('button', { name: 'did not play' }).click()
  const unplayed = page.getByRole('list', { name: 'What did not play' }).getByRole('listitem')
  await expect(unplayed.first()).toContainText('This box has no alert for this kind of event.')
  await expect(unplayed.first().getByText('off', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'all', exact: true }).click()
  await page.getByRole('button', { name: 'Why nothing for kneadybeast' }).first().click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('This box has no alert for this kind of event.')).toBeVisible()
  await expect(dialog.getByText('“Everyday” plays: it is the only case of its alert.')).toBeVisible()
  await expectNoFaults(page)
  await dialog.getByRole('button', { name: 'Send it as a test' }).click()
  await expect(page.getByText('Nothing plays: This box has no alert for this kind of event.')).toBeVisible()
})

test('conditions too many to draw are said to be, while the room goes on being worked in', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const grouped: Rule = {
    match: 'all',
    of: Array.from({ length: 20 }, (_, at) => ({
      match: 'any' as const,
      of: [
        { field: 'months', is: 'exactly' as const, value: at * 3 + 1 },
        { field: 'streak', is: 'exactly' as const, value: at * 2 + 1 },
        { field: 'message', is: 'contains' as const, text: `word ${at + 10}` },
      ],
    })),
  }
  const resub = shortAlert('resubscription')
  const [everyday] = resub.variations
  if (!everyday) throw new Error('it has one')
  const special = { ...everyday, id: 'resub-special', name: 'Twenty words', rule: grouped }
  const hidden = { ...special, id: 'resub-hidden', name: 'The same again' }
  const alert: Alert = { ...resub, variations: [special, hidden, everyday] }
  const { id } = await boxOnAir(page, demo, 'Too many', [alert])

  await page.goto(`${demo.url}/boxes/${id}`)
  await expect(page.getByText('These conditions are too many to draw.')).toBeVisible()
  await expect(axis(page).getByRole('button', { name: /^The same again/ })).toHaveText('The same again: never plays')
  await axis(page).getByRole('button', { name: 'Twenty words' }).click()
  // The words are asked after for each letter; the answer stays right and nothing waits for it.
  await setWords(page, 'headline', 'twenty words at once')
  await expect(saved(page)).toBeVisible()
  await expectNoFaults(page)
  // A test of the case makes an event that meets all twenty.
  const tested = await page.request.post(`${demo.url}/api/boxes/${id}/tests`, {
    data: { variationId: 'resub-special' },
  })
  expect(await tested.json()).toMatchObject({ reason: expect.stringMatching(/^“Twenty words” plays because/) })
})
