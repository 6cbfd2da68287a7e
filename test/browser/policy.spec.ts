import type { Page } from '@playwright/test'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { rule } from '../arrange/policies.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'policy' })

const sentences = (page: Page) => page.getByRole('list', { name: 'Sentences' }).getByRole('listitem')
/** A figure beneath the picture of the flood. */
const figure = (page: Page, words: RegExp) => page.locator('dl > div').filter({ hasText: words }).locator('dd')

let sent = 0
async function send(demo: DemoFile, ...events: { kind: string; data: object }[]): Promise<void> {
  const answer = await fetch(`${demo.url}/api/events`, {
    method: 'POST',
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents-batch+json' },
    body: JSON.stringify(
      events.map(({ kind, data }) => ({
        ...{ specversion: '1.0', id: `flood-${sent++}`, source: '/flood', type: `thundercrest.event.${kind}.v1` },
        data,
      })),
    ),
  })
  expect(answer.ok).toBe(true)
}
const viewer = (name: string) => ({ viewer: { id: `v-${name}`, name } })

// Before the other has brought a flood of its own.
test('how a box behaves is changed in its sentences, beside what they make of a flood, and put on air', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('owner')
  await page.goto(`${demo.url}/policy`)
  await expect(sentences(page)).toHaveCount(7)
  await expect(page.getByText('A made-up one, as this box would meet it: 118 follows')).toBeVisible()
  await expect(figure(page, /share an alert/)).not.toHaveText('0')
  await expect(figure(page, /are let go/)).toHaveText('0')

  // By keyboard: what is underlined is changed beneath.
  await page.getByRole('button', { name: '8', exact: true }).focus()
  await page.keyboard.press('Enter')
  const waiting = page.getByLabel('How many have to wait')
  await expect(waiting).toBeFocused()
  await waiting.fill('3')
  await page.keyboard.press('Tab')
  await expect(sentences(page).nth(4)).toContainText('When 3 wait, alerts take their shortest length.')
  await page.getByRole('button', { name: 'Done' }).press('Enter')
  // By mouse.
  await page.getByRole('switch', { name: /become one/ }).click()
  await expect(figure(page, /share an alert/)).toHaveText('0')
  await expect(figure(page, /are let go/)).not.toHaveText('0')
  await page.getByRole('button', { name: 'Undo a sentence off' }).click()
  await expect(figure(page, /share an alert/)).not.toHaveText('0')

  await page.getByRole('button', { name: 'Add a sentence' }).click()
  await page.getByRole('menuitem', { name: /^Raids go first/ }).click()
  await expect(sentences(page)).toHaveCount(8)
  await page.getByRole('button', { name: /^Where they go/ }).click()
  await page.getByRole('option', { name: 'last' }).click()
  await expect(sentences(page).nth(7)).toContainText('An earlier sentence says otherwise of all of it, and wins.')
  await expectNoFaults(page)
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(sentences(page)).toHaveCount(7)

  await page.getByRole('button', { name: /^Put on air/ }).click()
  await expect(page.getByRole('dialog').getByText('When 3 wait, alerts take their shortest length.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/Saved/)).toBeVisible()
  await page
    .getByRole('button', { name: /^Put on air/ })
    .last()
    .click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /on air$/ })
    .click()
  await expect(page.getByText('On air: version 2')).toBeVisible()
  await page.reload()
  await expect(sentences(page).nth(4)).toContainText('When 3 wait')
})

test('a flood is over soon, whoever skips and holds meanwhile on a phone, and nothing of it is missing', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn('moderator')
  await page.goto(`${demo.url}/desk`)
  await expect(page.getByText('Quiet. The next alert shows here as it plays.')).toBeVisible()

  await send(demo, { kind: 'raid', data: { ...viewer('caraway_owl'), partySize: 120 } })
  await untilState(source, 'playing')
  for (let wave = 0; wave < 6; wave++)
    await send(
      demo,
      ...Array.from({ length: 20 }, (_, at) => ({ kind: 'follow', data: viewer(`guest ${wave} ${at}`) })),
    )
  await send(demo, { kind: 'tip', data: { ...viewer('Tomé Brandão'), amountMinor: 2500, currency: 'EUR' } })
  await send(demo, {
    kind: 'giftBatch',
    data: { ...viewer('sootkettle'), count: 50, tier: 1, groupId: 'tray of fifty' },
  })
  const column = page.getByRole('region', { name: 'Waiting' })
  await expect(column.getByText('guest 0 0 and 119 more')).toBeVisible()
  await expect(column.getByText('120 follows as one')).toBeVisible()
  // The tip came later, and goes first.
  await expect(column.getByRole('listitem').first()).toContainText('Tomé Brandão')
  await expect(column.getByText('After the one that plays.')).toBeVisible()

  await page.getByRole('button', { name: /Hold/ }).click()
  await expect(column.getByText('The line is held.').first()).toBeVisible()
  await column.getByRole('button', { name: 'Skip sootkettle' }).click()
  await expect(column.getByText('sootkettle')).toHaveCount(0)
  await page.getByRole('button', { name: /Go on/ }).click()
  await expect(source.getByText('and 119 more join the night shift')).toBeVisible({ timeout: 45_000 })
  await untilState(source, 'waiting', 45_000)

  // Everything that came has ended in an outcome, and says why.
  const ended = async () => {
    const all: { seq: number; name: string; outcome: string | null; outcomeReason: string }[] = []
    for (let before = ''; ;) {
      const answer = await page.request.get(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/events${before}`)
      const { events: happenings } = (await answer.json()) as { events: typeof all }
      all.push(...happenings)
      const last = happenings.at(-1)
      if (!last || all.length > 180) return all.slice(0, 123)
      before = `?before=${last.seq}`
    }
  }
  await expect
    .poll(async () => (await ended()).filter(({ outcome }) => outcome === null), { timeout: 10_000 })
    .toEqual([])
  const counts: Record<string, number> = {}
  for (const { outcome, outcomeReason } of await ended()) {
    counts[outcome ?? ''] = (counts[outcome ?? ''] ?? 0) + 1
    expect(outcomeReason).not.toBe('')
  }
  expect(counts).toEqual({ played: 3, merged: 119, skipped: 1 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('what somebody has to look at is let through or not, and what waits is put next', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('owner')
  const asks = [
    { rule: 'gap', isOn: true, ms: 400 },
    { rule: 'approve', isOn: true, kinds: ['raid'], isFlagged: false, withinMs: 300_000 },
  ]
  await rule(demo, asks)
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await signIn('moderator')
  await page.goto(`${demo.url}/desk`)
  const [column, log] = ['Waiting', 'Log'].map((name) => page.getByRole('region', { name }))
  await send(demo, { kind: 'raid', data: { ...viewer('MarrowHat'), partySize: 8 } })
  await expect(column!.getByText('Somebody has to let it be shown.')).toBeVisible()
  await expect(column!.getByText('waiting for you')).toBeVisible()
  await column!.getByRole('button', { name: 'Not this one' }).click()
  await expect(log!.getByText('not let by tallowmoth')).toBeVisible()

  await send(demo, { kind: 'raid', data: { ...viewer('caraway_owl'), partySize: 60 } })
  await column!.getByRole('button', { name: 'Let it through' }).press('Enter')
  await untilState(source, 'playing')
  await expect(source.getByText('caraway_owl brings 60 guests round the corner')).toBeVisible()

  for (const name of ['Zoë', 'kneadybeast']) await send(demo, { kind: 'follow', data: viewer(name) })
  const cards = column!.getByRole('listitem')
  await expect(cards.first()).toContainText('Zoë')
  await column!.getByRole('button', { name: 'Play kneadybeast next' }).click()
  await expect(cards.first()).toContainText('kneadybeast')
  await page.keyboard.press('s')
  await expect(source.getByText('kneadybeast')).toBeVisible()

  // One key empties the screen and holds, and takes it back.
  await page.keyboard.press('p')
  await untilState(source, 'waiting')
  await expect(log!.getByText('the screen was emptied by tallowmoth')).toBeVisible()
  for (const name of ['sootkettle', 'O’Malt']) await send(demo, { kind: 'follow', data: viewer(name) })
  await expect(cards).toHaveCount(3)
  await column!.getByRole('button', { name: 'Clear' }).click()
  await expect(cards).toHaveCount(0)
  await expect(column!.getByText('3 alerts cleared by tallowmoth.')).toBeVisible()
  await column!.getByRole('button', { name: /^Put back/ }).click()
  await expect(cards).toHaveCount(3)
  await page.keyboard.press('p')
  await untilState(source, 'playing')
  await expect(source.getByText('Zoë')).toBeVisible()
})
