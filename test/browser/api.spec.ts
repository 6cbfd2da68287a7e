import { boxVersion } from '../../core/composition/box.ts'
import { deliver, followNotice } from '../arrange/cedar.ts'
import { expect, test } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'api' })

interface Problem {
  status: number
  title: string
  detail: string
  issues?: { path: string; message: string }[]
}

/** Expects a problem document that says what happened, and no stack trace. */
async function expectProblem(answer: Response, status: number, detail: RegExp): Promise<Problem> {
  expect(answer.headers.get('content-type')).toContain('application/problem+json')
  const text = await answer.text()
  expect(text).not.toMatch(/node_modules|\.mjs|at \w+ \(/)
  const problem = JSON.parse(text) as Problem
  expect({ status: answer.status, said: problem.status }).toEqual({ status, said: status })
  expect(problem.detail).toMatch(detail)
  return problem
}

async function countEvents(demo: DemoFile): Promise<number> {
  const answer = await fetch(`${demo.url}/api/events?limit=500`, {
    headers: { authorization: `Bearer ${demo.apiKey}` },
  })
  return ((await answer.json()) as { events: unknown[] }).events.length
}
const body = () => JSON.stringify({ notices: [followNotice('Zoë')] })

test.describe('deliveries that are refused write nothing', () => {
  test('unsigned, wrongly signed and stale', async ({ demo }) => {
    const before = await countEvents(demo)
    const feed = demo.feeds.find(({ platform }) => platform === 'cedar')
    await expectProblem(
      await fetch(`${demo.url}/api/feeds/${feed?.id}/deliveries`, { method: 'POST', body: body() }),
      401,
      /webhook-signature are needed/,
    )
    await expectProblem(await deliver(demo, body(), { signature: 'v1,bm90IGl0' }), 401, /Sign "id\.timestamp\.body"/)
    await expectProblem(
      await deliver(demo, body(), { secret: `whsec_${Buffer.from('somebody else’s').toString('base64')}` }),
      401,
      /signature/,
    )
    await expectProblem(await deliver(demo, body(), { at: new Date(Date.now() - 600_000) }), 401, /too old/i)
    await expectProblem(
      await deliver(
        { ...demo, feeds: [{ id: 'no-such-feed', platform: 'cedar', secret: feed?.secret ?? '' }] },
        body(),
      ),
      404,
      /no such feed/,
    )
    expect(await countEvents(demo)).toBe(before)
  })

  test('oversize', async ({ demo }) => {
    const before = await countEvents(demo)
    await expectProblem(
      await deliver(demo, JSON.stringify({ notices: [followNotice('x'.repeat(400_000))] })),
      413,
      /larger than 256 KiB/,
    )
    expect(await countEvents(demo)).toBe(before)
  })

  test('signed, but not understood: kept for inspection', async ({ demo, signIn, page }) => {
    const before = await countEvents(demo)
    await expectProblem(await deliver(demo, '{"notices": [oops'), 422, /kept for inspection/)
    await expectProblem(await deliver(demo, JSON.stringify({ hello: 'world' })), 422, /kept for inspection/)
    const problem = await expectProblem(
      await deliver(demo, JSON.stringify({ notices: [{ what: 'haircut' }] })),
      422,
      /Nothing in this delivery/,
    )
    expect(problem.issues?.[0]?.message).toContain('notices.0')
    expect(await countEvents(demo)).toBe(before)
    await signIn('moderator')
    await page.goto(`${demo.url}/feeds`)
    await expect(page.getByText(/not a payload of cedar/).first()).toBeVisible()
    await page
      .getByText(/The body is not JSON/)
      .first()
      .click()
    await expect(page.getByText('{"notices": [oops')).toBeVisible()
  })

  test('what is understood of a mixed delivery is taken, the rest is counted', async ({ demo }) => {
    const answer = await deliver(
      demo,
      JSON.stringify({ notices: [followNotice('InêsDaPadaria'), { what: 'haircut' }] }),
    )
    expect([answer.status, await answer.json()]).toEqual([202, { accepted: 1, repeated: 0, rejected: 1 }])
  })
})

test.describe('events through the API', () => {
  const event = (id: string, changes: object = {}) => ({
    specversion: '1.0',
    id,
    source: 'till',
    type: 'thundercrest.event.follow.v1',
    data: { viewer: { id: 'v', name: 'wisp' } },
    ...changes,
  })
  const post = (demo: DemoFile, content: unknown, type = 'application/cloudevents+json', key = demo.apiKey) =>
    fetch(`${demo.url}/api/events`, {
      method: 'POST',
      headers: { 'content-type': type, authorization: `Bearer ${key}` },
      body: typeof content === 'string' ? content : JSON.stringify(content),
    })

  test('need a key, the right type and JSON', async ({ demo }) => {
    await expectProblem(await fetch(`${demo.url}/api/events`, { method: 'POST', body: '{}' }), 401, /API key/)
    await expectProblem(await post(demo, event('x'), undefined, 'a-key-that-nobody-has'), 401, /not known/)
    await expectProblem(await post(demo, event('x'), 'application/json'), 415, /cloudevents/)
    await expectProblem(await post(demo, '{"specversion"'), 400, /not JSON/)
  })

  test('are refused whole when one of them does not fit, with its path', async ({ demo }) => {
    const before = await countEvents(demo)
    const batch = [
      event('b-1'),
      event('b-2', { type: 'thundercrest.event.tip.v1', data: { viewer: null, amountMinor: 1.5, currency: 'EUR' } }),
    ]
    const problem = await expectProblem(
      await post(demo, batch, 'application/cloudevents-batch+json'),
      422,
      /nothing was written/,
    )
    expect(problem.issues).toMatchObject([{ path: '1.data.amountMinor' }])
    await expectProblem(
      await post(
        demo,
        Array.from({ length: 501 }, (_, index) => event(`many-${index}`)),
        'application/cloudevents-batch+json',
      ),
      422,
      /1 to 500/,
    )
    await expectProblem(await post(demo, [event('x')]), 422, /./)
    expect(await countEvents(demo)).toBe(before)
  })

  test('take a batch, and lone surrogates and control characters do no harm', async ({ demo }) => {
    const odd = event('odd', { data: { viewer: { id: 'v', name: 'a\u0000b\uD83E' } } })
    const answer = await post(
      demo,
      [event('n-1'), event('n-2'), event('n-1'), odd],
      'application/cloudevents-batch+json',
    )
    expect([answer.status, await answer.json()]).toEqual([202, { accepted: 3, repeated: 1, rejected: 0 }])
  })
})

test.describe('access', () => {
  const box = (demo: DemoFile) => `${demo.url}/api/boxes/${demo.boxes[0]?.id}`

  test('nothing of a channel is told to strangers', async ({ demo }) => {
    for (const path of [
      '/api/boxes',
      `/api/boxes/${demo.boxes[0]?.id}`,
      `/api/boxes/${demo.boxes[0]?.id}/address`,
      '/api/channel/media',
      '/api/channel/feeds',
      '/api/channel/live',
      '/api/events',
      `/api/feeds/${demo.feeds[0]?.id}/secret`,
    ]) {
      await expectProblem(await fetch(demo.url + path), 401, /Sign in/)
    }
    for (const [method, path] of [
      ['POST', ''],
      ['PATCH', '/draft'],
      ['POST', '/versions'],
      ['POST', '/address'],
      ['PUT', '/held'],
      ['POST', '/tests'],
      ['DELETE', '/plays/x'],
      ['POST', '/plays/x/replay'],
    ] as const) {
      const answer = await fetch(box(demo) + path, {
        method,
        headers: { 'content-type': 'application/json' },
        body: '{}',
      })
      expect([401, 404, 405], `${method} ${path}`).toContain(answer.status)
    }
  })

  test('a moderator minds the desk and changes no design; an editor replaces no address', async ({
    demo,
    signIn,
    page,
    browser,
  }) => {
    await signIn('moderator')
    expect((await page.request.get(box(demo))).status()).toBe(200)
    expect((await page.request.put(`${box(demo)}/held`, { data: { isHeld: false } })).status()).toBe(200)
    expect((await page.request.patch(`${box(demo)}/draft`, { data: { baseRevision: 0, patches: [] } })).status()).toBe(
      403,
    )
    expect((await page.request.post(`${box(demo)}/versions`, { data: { revision: 0 } })).status()).toBe(403)
    expect((await page.request.get(`${box(demo)}/address`)).status()).toBe(403)
    const editor = await signIn('editor', await browser.newPage())
    expect((await editor.request.get(`${box(demo)}/address`)).status()).toBe(200)
    expect((await editor.request.post(`${box(demo)}/address`)).status()).toBe(403)
    expect((await editor.request.get(`${demo.url}/api/feeds/${demo.feeds[0]?.id}/secret`)).status()).toBe(403)
    await editor.close()
  })

  test('another site’s page cannot write with a member’s cookie', async ({ demo, signIn, page }) => {
    await signIn()
    const held = (headers: Record<string, string>) =>
      page.request.put(`${box(demo)}/held`, { data: { isHeld: false }, headers })
    expect((await held({ origin: 'https://elsewhere.example' })).status()).toBe(403)
    expect((await held({ origin: 'null' })).status()).toBe(403)
    expect((await held({ 'sec-fetch-site': 'cross-site' })).status()).toBe(403)
    expect((await held({ origin: demo.url })).status()).toBe(200)
    expect(
      (
        await page.request.put(`${box(demo)}/held`, {
          data: '{"isHeld":false}',
          headers: { 'content-type': 'text/plain' },
        })
      ).status(),
    ).toBe(415)
  })

  test('a session ends with signing out, and a forged cookie is none', async ({ demo, signIn, page }) => {
    await signIn()
    const cookies = await page.context().cookies()
    expect(cookies.every(({ httpOnly }) => httpOnly)).toBe(true)
    const cookie = cookies.find(({ path }) => path === '/')
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' })
    const ask = (value: string) => fetch(`${demo.url}/api/boxes`, { headers: { cookie: `${cookie?.name}=${value}` } })
    expect((await ask(cookie?.value ?? '')).status).toBe(200)
    expect((await ask(`${cookie?.value.slice(0, -4)}AAAA`)).status).toBe(401)
    await page.request.delete(`${demo.url}/api/session`)
    expect((await ask(cookie?.value ?? '')).status).toBe(401)
  })

  test('guessing a password is slowed down, and no answer tells whether the account exists', async ({ demo }) => {
    const guess = (email: string) =>
      fetch(`${demo.url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ email, password: 'wrong' }),
      })
    const known = await expectProblem(await guess(demo.accounts[3]?.email ?? ''), 401, /do not belong together/)
    expect(await expectProblem(await guess('nobody@lantern-loaf.example'), 401, /./)).toEqual(known)
    const statuses: number[] = []
    for (let tries = 0; tries < 9; tries++) statuses.push((await guess('nobody@lantern-loaf.example')).status)
    expect(statuses.at(-1)).toBe(429)
    const refused = await guess('nobody@lantern-loaf.example')
    await expectProblem(refused, 429, /Wait \d+ s/)
  })
})

test('health, metrics, schemas and the contract itself are there', async ({ demo }) => {
  expect(await (await fetch(`${demo.url}/healthz`)).json()).toEqual({ status: 'alive' })
  expect(await (await fetch(`${demo.url}/readyz`)).json()).toEqual({ status: 'ready', database: 'embedded' })
  expect(await (await fetch(`${demo.url}/metrics`)).text()).toContain('thundercrest_events_total{outcome="accepted"}')
  const events = (await (await fetch(`${demo.url}/schemas/events.json`)).json()) as {
    $defs: Record<string, { required: string[] }>
  }
  expect(events.$defs.tip?.required).toContain('amountMinor')
  const pack = (await (await fetch(`${demo.url}/schemas/pack.json`)).json()) as { properties: Record<string, unknown> }
  expect(Object.keys(pack.properties)).toEqual(expect.arrayContaining(['format', 'version', 'box', 'media', 'dials']))
  const composition = (await (await fetch(`${demo.url}/schemas/composition.json`)).json()) as {
    properties: Record<string, unknown>
  }
  expect(Object.keys(composition.properties)).toEqual(expect.arrayContaining(['version', 'length', 'parts']))
  const contract = (await (await fetch(`${demo.url}/openapi.json`)).json()) as {
    openapi: string
    paths: Record<string, object>
  }
  expect(contract.openapi).toMatch(/^3\.1/)
  for (const [path, methods] of Object.entries(contract.paths)) {
    if (!('get' in methods) || path.includes('{')) continue
    expect((await fetch(demo.url + path, { headers: { authorization: `Bearer ${demo.apiKey}` } })).status, path).toBe(
      200,
    )
  }
  await expectProblem(await fetch(`${demo.url}/api/nothing/here`), 404, /nothing at this address/)
})

test('media are served as what they are and can run nothing', async ({ demo, signIn, page }) => {
  await signIn()
  const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { url: string; mime: string }[]
  }
  for (const file of media) {
    const answer = await fetch(demo.url + file.url)
    expect(answer.status).toBe(200)
    expect(answer.headers.get('content-type')).toBe(file.mime)
    expect(answer.headers.get('cache-control')).toContain('immutable')
    expect(answer.headers.get('content-security-policy')).toContain('sandbox')
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff')
  }
  await expectProblem(await fetch(`${demo.url}/media/${'0'.repeat(64)}`), 404, /no such media/)
  await expectProblem(await fetch(`${demo.url}/media/..%2f..%2fsecret`), 404, /./)
})

test('a piece of a media file is served where one is asked for', async ({ demo, signIn, page }) => {
  await signIn()
  const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { url: string; mime: string }[]
  }
  const video = media.find((file) => file.mime === 'video/webm')?.url ?? ''
  const whole = new Uint8Array(await (await fetch(demo.url + video)).arrayBuffer())
  const piece = await fetch(demo.url + video, { headers: { range: 'bytes=100-199' } })
  expect([piece.status, piece.headers.get('content-range')]).toEqual([206, `bytes 100-199/${whole.length}`])
  expect(new Uint8Array(await piece.arrayBuffer())).toEqual(whole.subarray(100, 200))
  await expectProblem(
    await fetch(demo.url + video, { headers: { range: `bytes=${whole.length}-` } }),
    416,
    /has \d+ bytes/,
  )
})

test('versions are for those who edit the box, and each belongs to its own', async ({
  demo,
  signIn,
  page,
  browser,
}) => {
  await signIn('editor')
  const [first, second] = demo.boxes.map((box) => `${demo.url}/api/boxes/${box.id}`)
  const { versions } = (await (await page.request.get(`${first}/versions`)).json()) as {
    versions: { id: string; number: number; byName: string; publishedAtMs: number }[]
  }
  expect(versions[0]).toMatchObject({ number: 1, byName: expect.any(String) })
  const version = (await (await page.request.get(`${first}/versions/${versions[0]?.id}`)).json()) as {
    number: number
    document: { version: number; alerts: unknown[] }
  }
  expect([version.number, version.document.version, version.document.alerts.length]).toEqual([1, boxVersion, 10])
  expect((await page.request.get(`${second}/versions/${versions[0]?.id}`)).status()).toBe(404)
  expect((await page.request.get(`${first}/versions/no-such-version`)).status()).toBe(404)
  const moderator = await signIn('moderator', await browser.newPage())
  expect((await moderator.request.get(`${first}/versions`)).status()).toBe(403)
  expect((await fetch(`${first}/versions`)).status).toBe(401)
  await moderator.close()
})
