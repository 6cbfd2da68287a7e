import { readdirSync } from 'node:fs'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'fuzz' })

const deep = (depth: number) => '{"a":'.repeat(depth) + '1' + '}'.repeat(depth)
/** Valid JSON, all of it, and some that is none. */
const odd: readonly string[] = [
  'null',
  'true',
  '[]',
  '{}',
  '"text"',
  '1e999',
  '-0',
  '9007199254740993',
  '{"name":"\\u0000"}',
  '{"name":"\\ud83e","text":"\\udc00"}',
  '{"\\u0000":1,"__proto__":{"isAdmin":true},"constructor":null}',
  '{"name":null,"isHeld":"yes","isOn":[],"kind":{}}',
  `{"name":"${'n'.repeat(50_000)}"}`,
  deep(60),
  deep(5_000),
  `[${'[],'.repeat(3_000)}[]]`,
  '{"baseRevision":0,"patches":[{"op":"replace","path":[],"value":null}]}',
  '{"baseRevision":0,"patches":[{"op":"add","path":["__proto__","x"],"value":1},{"op":"remove","path":["alerts",999999]}]}',
  '{"baseRevision":0,"patches":[{"op":"replace","path":["look","name"],"value":"a\\u0000b"}]}',
  '{"baseRevision":0,"patches":[{"op":"replace","path":["alerts","length"],"value":4294967295}]}',
  '{"rates":{"USD":1e308,"EUR":-1,"\\u0000":1}}',
  '{"email":"a\\u0000@b.example","password":"\\ud83e"}',
  '{"kind":"tip","viewer":"longest","fields":{"amountMinor":1e300},"count":1e9}',
  '{"platform":"../..","way":"code","account":"\\u0000","text":"link-0000000000"}',
  '{"eventId":"\\u0000","variationId":"x","revision":1.5}',
  '{"sayings":[{"of":"message","written":"\\u0000","emotes":[{"from":-1,"to":1e9,"url":"x"}],"voice":null}]}',
  '{"uploadId":"../../secret"}',
  '{"name":"x","canvas":{"widthPx":1e308,"heightPx":0,"framesPerSecond":-1}}',
  '{"seen":{"hasAlpha":true,"ink":{"xPx":-1,"yPx":0,"widthPx":1e9,"heightPx":1}},"poster":"AAAA","strip":"\\u0000"}',
]

interface Route {
  method: string
  path: string
}

/** Every route with a body, as the files of the server name them. */
function routes(ids: Record<string, string>): Route[] {
  const found: Route[] = []
  for (const room of ['api', 'routes']) {
    const names = readdirSync(new URL(`../../server/${room}`, import.meta.url), { recursive: true, encoding: 'utf8' })
    for (const name of names) {
      const method = /\.(post|put|patch|delete)\.ts$/.exec(name)?.[1]
      if (!method) continue
      const path = name
        .replace(/\.\w+\.ts$/, '')
        .replace(/(^|\/)index$/, '')
        .replaceAll(/\[(\w+)\]/g, (_match, key: string) => ids[key] ?? 'x')
      found.push({ method: method.toUpperCase(), path: `/${room === 'api' ? 'api/' : ''}${path}` })
    }
  }
  return found
}

test('nothing that is valid JSON breaks any route', async ({ demo, signIn, page }) => {
  test.slow()
  await signIn()
  const cookie = (await page.context().cookies()).find(({ path }) => path === '/')
  const found = routes({
    boxId: demo.boxes[1]?.id ?? '',
    feedId: demo.feeds[0]?.id ?? '',
    playId: 'play-x',
    eventId: 'event-x',
    shelfId: 'pack-x',
    versionId: 'version-x',
    platform: 'alder',
    id: 'x',
  })
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
      for (const body of odd) {
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
