import type { Page } from '@playwright/test'
import { eventKinds } from '../../core/events/kinds.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { eventsOf } from '../arrange/events.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState, watchPlays } from '../arrange/fixtures.ts'

test.use({ serverFor: 'feeds' })

const simulator = (page: Page, name: string) => page.getByRole('group', { name: `Simulated ${name}` })

test('every kind arrives from a feed and alerts on the source page', async ({ page, demo, signIn, context }) => {
  // Twenty-two alerts, one after another.
  test.slow()
  await signIn()
  const { sourceUrl } = await boxOnAir(page, demo, 'Every kind', eventKinds.map(shortAlert))
  const source = await context.newPage()
  const plays = await watchPlays(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  const sent = new Set<string>()
  for (const [platform, { kinds }] of Object.entries(platforms)) {
    for (const kind of kinds.filter((each) => !sent.has(each))) {
      const answer = await page.request.post(`${demo.url}/api/feeds/feed-${platform}/simulations`, { data: { kind } })
      expect([platform, kind, answer.status(), await answer.json()]).toEqual([
        platform,
        kind,
        200,
        { accepted: 1, repeated: 0, rejected: 0 },
      ])
      sent.add(kind)
    }
  }
  // A sponsor's turn comes from no platform: programs may say so, as the channel itself does.
  const others = eventKinds.filter((kind) => !sent.has(kind))
  expect(others).toEqual(['sponsorLine'])
  for (const kind of others) {
    const answer = await page.request.post(`${demo.url}/api/events`, {
      headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
      data: {
        ...{ specversion: '1.0', id: kind, source: 'test', type: `thundercrest.event.${kind}.v1` },
        data: sampleEvent(kind, 'everyday').data,
      },
    })
    expect(await answer.json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
  }
  await expect.poll(async () => (await plays()).length, { timeout: 60_000 }).toBe(eventKinds.length)
  const kindOf = new Map((await eventsOf(page, demo)).map(({ id, kind }) => [id, kind]))
  expect((await plays()).map(({ event }) => kindOf.get(event)).sort()).toEqual([...eventKinds].sort())
  await source.close()
})

test('link an account with consent on the platform’s own page, refuse it once, unlink it and link it again', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/feeds`)
  const begin = async () => {
    await page.getByRole('button', { name: 'Link a platform' }).click()
    await page
      .getByRole('dialog')
      .getByRole('radio', { name: /^Cedar/ })
      .check()
    await page.getByRole('button', { name: 'Go to Cedar' }).click()
    await expect(
      page.getByRole('heading', { name: 'Let Thundercrest hear what happens on your channel?' }),
    ).toBeVisible()
  }
  await begin()
  await expectNoFaults(page)
  await page.getByRole('button', { name: 'Refuse' }).click()
  await expect(page.getByText('Consent was not given. Nothing was linked.')).toBeVisible()
  await begin()
  const { searchParams } = new URL(page.url())
  await page.getByLabel('Signed in as').fill('street-window')
  await page.getByRole('button', { name: 'Allow' }).click()
  await expect(page.getByText('Cedar is linked. What happens there is heard from now on.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Cedar street-window' })).toBeVisible()
  // What was used once is used up.
  await page.goto(`${demo.url}/api/feeds/links/callback?code=again&state=${searchParams.get('state')}`)
  await expect(page.getByText('Consent was not given. Nothing was linked.')).toBeVisible()

  const { feeds } = (await (await page.request.get(`${demo.url}/api/channel/feeds`)).json()) as {
    feeds: { id: string; account: string }[]
  }
  const linked = feeds.find(({ account }) => account === 'street-window')?.id
  const follow = () => page.request.post(`${demo.url}/api/feeds/${linked}/simulations`, { data: { kind: 'follow' } })
  expect(await (await follow()).json()).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
  await page.getByRole('button', { name: 'Unlink Cedar street-window' }).click()
  await expect(page.getByText(/unlinked .* ago: nothing is heard/)).toBeVisible()
  expect(((await (await follow()).json()) as { detail: string }).detail).toContain('This feed was unlinked.')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Unlink Cedar street-window' })).toBeVisible()
  expect((await follow()).status()).toBe(200)
})

test('link an account with a code in its chat', async ({ page, demo, signIn, context }) => {
  await signIn()
  await page.goto(`${demo.url}/feeds`)
  await page.getByRole('button', { name: 'Link a platform' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('radio', { name: /^Birch/ }).check()
  await dialog.getByRole('button', { name: 'Get a code' }).click()
  const code = (await dialog.getByRole('code').or(dialog.locator('code')).first().textContent()) ?? ''
  const [chat] = await Promise.all([
    context.waitForEvent('page'),
    dialog.getByRole('link', { name: 'Open the chat of Birch' }).click(),
  ])
  await chat.getByLabel('Your channel').fill('morning-market')
  await chat.getByLabel('Say something').fill(`good evening, ${code}`)
  await expectNoFaults(chat)
  await chat.getByRole('button', { name: 'Say it' }).click()
  await expect(chat.getByRole('status')).toHaveText(`morning-market: good evening, ${code}`)
  await expect(dialog.getByText('Birch is linked.')).toBeVisible()
  await expectNoFaults(page)
  await dialog.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Birch morning-market' })).toBeVisible()
  await chat.close()
})

test('linking is for owners, and only what was asked for is answered', async ({ page, demo, signIn }) => {
  await signIn('editor')
  expect(
    (await page.request.post(`${demo.url}/api/feeds/links`, { data: { platform: 'alder', way: 'code' } })).status(),
  ).toBe(403)
  expect((await page.request.delete(`${demo.url}/api/feeds/feed-alder`)).status()).toBe(403)
  const ask = (query: string) => fetch(`${demo.url}/stand-ins/alder/authorize?${query}`, { redirect: 'manual' })
  const fitting = {
    response_type: 'code',
    client_id: 'thundercrest',
    redirect_uri: `${demo.url}/api/feeds/links/callback`,
    state: 's',
    code_challenge: 'c'.repeat(43),
    code_challenge_method: 'S256',
  }
  expect((await ask(new URLSearchParams(fitting).toString())).status).toBe(200)
  for (const change of [
    { redirect_uri: 'http://elsewhere.invalid/' },
    { client_id: 'somebody' },
    { code_challenge_method: 'plain' },
    { code_challenge: 'short' },
  ])
    expect((await ask(new URLSearchParams({ ...fitting, ...change }).toString())).status).toBe(400)
  expect((await fetch(`${demo.url}/stand-ins/oak/chat`)).status).toBe(404)
  expect(
    (await fetch(`${demo.url}/stand-ins/alder/account`, { headers: { authorization: 'Bearer made-up' } })).status,
  ).toBe(401)
  const heard = await fetch(`${demo.url}/api/feeds/links/heard`, {
    method: 'POST',
    body: JSON.stringify({ platform: 'alder', account: 'x', text: 'link-0123456789' }),
  })
  expect(heard.status).toBe(401)
})

test('the simulator plays scripts, repeats and a flood, and viewers choose', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(`${demo.url}/feeds`)
  await simulator(page, 'Birch').first().getByRole('button', { name: 'Play it' }).click()
  await expect(simulator(page, 'Birch').first().getByText('1 event accepted, 1 repeat caught.')).toBeVisible()
  const alder = simulator(page, 'Alder')
  await alder.getByRole('button', { name: 'Play it' }).click()
  await expect(alder.getByText('6 events accepted.')).toBeVisible()
  await alder.getByRole('button', { name: /^What it sends/ }).click()
  await page.getByRole('option', { name: 'Redemption', exact: true }).click()
  await alder.getByRole('button', { name: /^What the viewer chooses/ }).click()
  await page.getByRole('option', { name: 'chooses kettle' }).click()
  await alder.getByRole('button', { name: 'Send one' }).click()
  await expect(alder.getByText('1 event accepted.')).toBeVisible()
  const chosen = (await eventsOf(page, demo)).findLast(({ kind }) => kind === 'redemption') as unknown as {
    data: { choice: string }
  }
  expect(chosen.data.choice).toBe('kettle')
  const cedar = simulator(page, 'Cedar').first()
  await cedar.getByRole('button', { name: /^A flood/ }).click()
  await expect(cedar.getByRole('progressbar')).toBeVisible()
  await expect(cedar.getByText('300 events accepted.')).toBeVisible({ timeout: 30_000 })
})

test('rates of other currencies are set by hand, and the next tip is compared by them', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/feeds`)
  await page.getByRole('navigation', { name: 'Paths of Feeds' }).getByRole('link', { name: 'Rates' }).click()
  const rates = page.getByRole('region', { name: 'Other currencies' })
  await rates.getByRole('button', { name: /^Another currency/ }).click()
  await page.getByRole('option', { name: /^JPY/ }).click()
  await rates.getByRole('button', { name: 'Add it' }).click()
  await rates.getByLabel('1 JPY in EUR').fill('0.0062')
  await page.keyboard.press('Tab')
  await expect(rates.getByText('Kept. The next event is compared by it.')).toBeVisible()
  expect(await (await page.request.get(`${demo.url}/api/channel/rates`)).json()).toEqual({ rates: { JPY: 0.0062 } })
  const tip = (amountMinor: number) =>
    page.request.post(`${demo.url}/api/feeds/feed-till/simulations`, {
      data: { kind: 'tip', fields: { amountMinor, currency: 'JPY' } },
    })
  // 16,200 yen are €100.44.
  await tip(16_200)
  await tip(3_200)
  const tips = (await eventsOf(page, demo)).filter(
    ({ kind, source }) => kind === 'tip' && source === 'feed:feed-till',
  ) as unknown as { decisions: { boxId: string; variationName: string }[] }[]
  expect(
    tips.slice(-2).map(({ decisions }) => decisions.find(({ boxId }) => boxId === 'box-night-counter')?.variationName),
  ).toEqual(['Oven on fire', 'Slice'])
  for (const refused of [{ EURO: 1 }, { USD: 0 }, { USD: -1 }, { XQZ: 1 }])
    expect((await page.request.put(`${demo.url}/api/channel/rates`, { data: { rates: refused } })).status()).toBe(422)
  await signIn('moderator')
  expect((await page.request.put(`${demo.url}/api/channel/rates`, { data: { rates: {} } })).status()).toBe(403)
})
