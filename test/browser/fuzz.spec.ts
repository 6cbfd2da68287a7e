import { oddBodies, routesWithBodies } from '../arrange/oddBodies.ts'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'fuzz' })

test('nothing that is valid JSON breaks any route', async ({ demo, signIn, page }) => {
  test.slow()
  await signIn()
  const cookie = (await page.context().cookies()).find(({ path }) => path === '/')
  const found = routesWithBodies(demo)
  expect(found.length).toBeGreaterThan(30)
  const broken: string[] = []
  let tried = 0
  for (const { method, path } of found) {
    // Signs out, and would take the cookie of all that follow.
    if (method === 'DELETE' && path === '/api/session') continue
    const types = path.endsWith('/events')
      ? ['application/cloudevents+json', 'application/cloudevents-batch+json']
      : ['application/json']
    for (const type of types) {
      for (const body of oddBodies) {
        tried += 1
        const answer = await fetch(demo.url + path, {
          method,
          headers: {
            'content-type': type,
            cookie: `${cookie?.name}=${cookie?.value}`,
            authorization: path === '/api/events' ? `Bearer ${demo.apiKey}` : '',
          },
          body,
        })
        await answer.text()
        if (answer.status >= 500) broken.push(`${method} ${path} ${answer.status} ${body.slice(0, 80)}`)
      }
    }
  }
  expect(broken).toEqual([])
  expect(tried).toBeGreaterThan(900)
  expect((await fetch(`${demo.url}/readyz`)).status).toBe(200)
})

test('events with odd values are taken or refused, never broken', async ({ demo }) => {
  const values: unknown[] = [
    '\u0000',
    '\ud83e',
    'x'.repeat(600),
    -1,
    1e300,
    0.5,
    null,
    {},
    [],
    true,
    '9999-12-31T23:59:59Z',
    '0000-01-01T00:00:00Z',
  ]
  const statuses = new Set<number>()
  for (const field of ['id', 'source', 'time', 'viewer', 'name', 'amountMinor', 'currency', 'message', 'url'] as const)
    for (const value of values) {
      const viewer =
        field === 'viewer' ? value : { id: field === 'id' ? value : 'v', name: field === 'name' ? value : 'n' }
      const emotes = [{ from: 0, to: 1, url: field === 'url' ? value : 'https://elsewhere.invalid/x.png' }]
      const event = {
        specversion: '1.0',
        id: field === 'id' ? value : `odd-${field}-${values.indexOf(value)}`,
        source: field === 'source' ? value : 'till',
        type: 'thundercrest.event.tip.v1',
        ...(field === 'time' ? { time: value } : {}),
        data: {
          viewer,
          amountMinor: field === 'amountMinor' ? value : 500,
          currency: field === 'currency' ? value : 'EUR',
          message: { text: field === 'message' ? value : 'a loaf', emotes },
        },
      }
      const answer = await fetch(`${demo.url}/api/events`, {
        method: 'POST',
        headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
        body: JSON.stringify(event),
      })
      statuses.add(answer.status)
      await answer.text()
    }
  expect([...statuses].sort()).toEqual([202, 422])
})
