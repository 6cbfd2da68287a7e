import { deliver, deliverNotices, followNotice } from '../arrange/cedar.ts'
import { setWords } from '../arrange/room.ts'
import { expect, listenToOutput, stateOf, test, untilState, watchPlays } from '../arrange/fixtures.ts'

test.use({ serverFor: 'air' })

test('from sign-in to a viewer’s name seen and a sound heard on air', async ({ page, demo, context }) => {
  const source = await context.newPage()
  const loudest = await listenToOutput(source)
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')

  await page.goto(`${demo.url}/`)
  await page.getByLabel('E-mail address').fill(demo.accounts[0]?.email ?? '')
  await page.getByLabel('Password').fill(demo.accounts[0]?.password ?? '')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'Open Night counter' }).click()
  await page.getByRole('button', { name: 'Second line', exact: true }).click()
  await setWords(page, 'Second line', 'came in from the rain')
  await expect(page.getByText(/^Saved \d+ s ago$/)).toBeVisible()

  // What is not on air yet is not seen on air.
  expect(await deliverNotices(demo, followNotice('MarrowHat'))).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
  await untilState(source, 'playing')
  await expect(source.getByText('joins the night shift')).toBeVisible()
  await untilState(source, 'waiting')

  await page.getByRole('button', { name: 'Put on air · 1' }).click()
  await expect(page.getByRole('dialog').getByText('“came in from the rain”')).toBeVisible()
  await page.getByRole('button', { name: 'Put 1 change on air' }).click()
  await expect(page.getByText('On air: version 2')).toBeVisible()

  await loudest()
  await deliverNotices(demo, followNotice('caraway_owl'))
  await untilState(source, 'playing')
  await expect(source.getByText('caraway_owl')).toBeVisible()
  await expect(source.getByText('came in from the rain')).toBeVisible()
  expect(await source.locator('html').getAttribute('data-variation')).toBe('Everyday')
  // The oven bell peaks at 0.7 and is turned down by 6 dB.
  await expect.poll(loudest).toBeGreaterThan(0.2)
  await untilState(source, 'waiting')
  await loudest()
  await source.waitForTimeout(300)
  expect(await loudest()).toBe(0)
})

test('a repeated delivery answers as a repeat and plays once', async ({ page, demo }) => {
  const plays = await watchPlays(page)
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  const body = JSON.stringify({ notices: [followNotice('Juno Flint')] })
  const answers = await Promise.all([
    deliver(demo, body, { id: 'same' }),
    deliver(demo, body, { id: 'same' }),
    deliver(demo, body, { id: 'sent again under another id' }),
  ])
  const said = (await Promise.all(answers.map((answer) => answer.json()))) as { accepted: number; repeated: number }[]
  expect(said.map(({ accepted, repeated }) => accepted + repeated)).toEqual([1, 1, 1])
  expect(said.reduce((sum, { accepted }) => sum + accepted, 0)).toBe(1)
  await untilState(page, 'playing')
  await untilState(page, 'waiting')
  await page.waitForTimeout(1500)
  expect(await stateOf(page)).toBe('waiting')
  expect(await plays()).toHaveLength(1)
})

test('an event through the API plays, and is found again with its decision', async ({ page, demo }) => {
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  const event = {
    specversion: '1.0',
    id: 'api-1',
    source: 'till',
    type: 'thundercrest.event.tip.v1',
    data: { viewer: { id: 'v', name: 'Tomé Brandão' }, amountMinor: 2500, currency: 'EUR', message: { text: 'o pão' } },
  }
  const send = () =>
    fetch(`${demo.url}/api/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/cloudevents+json', authorization: `Bearer ${demo.apiKey}` },
      body: JSON.stringify(event),
    })
  expect(await (await send()).json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
  expect(await (await send()).json()).toEqual({ accepted: 0, repeated: 1, rejected: 0 })
  await untilState(page, 'playing')
  await expect(page.getByText('Tomé Brandão left €25.00')).toBeVisible()
  const listed = await fetch(`${demo.url}/api/events?limit=500`, {
    headers: { authorization: `Bearer ${demo.apiKey}` },
  })
  const { events } = (await listed.json()) as {
    events: { externalId: string; isTest: boolean; decisions: { boxId: string; outcome: string; playId: string }[] }[]
  }
  const found = events.find((each) => each.externalId === 'api-1')
  expect(found).toMatchObject({ isTest: false })
  expect(found?.decisions.find((each) => each.boxId === demo.boxes[0]?.id)?.playId).toBe(
    await page.locator('html').getAttribute('data-play'),
  )
  // Each box says what became of it; the other has no source, and waits.
  await untilState(page, 'waiting')
  const outcomes = async () => {
    const again = await fetch(`${demo.url}/api/events?limit=500`, {
      headers: { authorization: `Bearer ${demo.apiKey}` },
    })
    const kept = (await again.json()) as {
      events: { externalId: string; outcomes: { boxId: string; outcome: string | null; reason: string }[] }[]
    }
    const said = kept.events.find((each) => each.externalId === 'api-1')?.outcomes ?? []
    return demo.boxes.map(({ id }) => said.find(({ boxId }) => boxId === id)?.outcome)
  }
  await expect.poll(outcomes).toEqual(['played', null])
})
