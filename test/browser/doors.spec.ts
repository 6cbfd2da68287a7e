import { connect } from 'node:net'
import { request } from 'node:http'
import WebSocket from 'ws'
import type { Page } from '@playwright/test'
import { hostilePacks } from '../media/hostilePacks.ts'
import { vectorAnimation } from '../media/shape.ts'
import { deliverNotices } from '../arrange/cedar.ts'
import { dropFiles, expect, test, untilState } from '../arrange/fixtures.ts'

test.use({ serverFor: 'doors' })

/** Asks with a host name of one's own choice, which `fetch` does not let anybody have. */
function askAs(url: string, path: string, headers: Record<string, string>, method = 'GET') {
  const { port } = new URL(url)
  return new Promise<{ status: number; text: string; headers: Record<string, unknown> }>((resolve, reject) => {
    request({ host: '127.0.0.1', port, path, method, headers }, (answer) => {
      let text = ''
      answer.on('data', (piece: Buffer) => (text += piece.toString()))
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text, headers: answer.headers }))
    })
      .on('error', reject)
      .end()
  })
}

/** How a socket ends: refused with a status, or closed with a code. */
function socketEnd(url: string, act: (socket: WebSocket) => void = () => undefined): Promise<string> {
  return new Promise((resolve) => {
    const socket = new WebSocket(url)
    socket.on('unexpected-response', (_request, answer) => resolve(`status ${answer.statusCode}`))
    socket.on('error', () => undefined)
    socket.on('open', () => act(socket))
    socket.on('close', (code) => resolve(`code ${code}`))
  })
}

test('wrong addresses and wrong methods are refused, and HEAD is answered as GET is', async ({ demo }) => {
  const statusOf = async (method: string, path: string) => (await fetch(demo.url + path, { method })).status
  for (const [method, path, status] of [
    ['HEAD', '/healthz', 200],
    ['HEAD', '/', 200],
    ['HEAD', '/openapi.json', 200],
    ['HEAD', '/api/boxes', 401],
    ['HEAD', '/nothing', 404],
    ['GET', '/nothing', 404],
    ['GET', '/schemas/nothing.json', 404],
    ['POST', '/healthz', 404],
    ['POST', '/', 405],
    ['POST', '/desk', 405],
    ['PUT', '/nothing', 404],
    ['DELETE', '/readyz', 404],
    ['POST', '/schemas/events.json', 404],
    ['GET', '/metricsx', 404],
  ] as const)
    expect(await statusOf(method, path), `${method} ${path}`).toBe(status)
  expect((await fetch(`${demo.url}/desk`, { method: 'POST' })).headers.get('content-type')).toContain('problem+json')
})

test('a stranger’s name for this machine, and a proxy on it, see nothing', async ({ demo }) => {
  for (const path of ['/metrics', '/api/session', '/', '/source/x/link'])
    expect((await askAs(demo.url, path, { host: 'rebound.example' })).status, path).toBe(421)
  expect((await askAs(demo.url, '/metrics', { host: 'localhost' })).status).toBe(200)
  expect((await askAs(demo.url, '/metrics', { host: 'localhost', 'x-forwarded-for': '10.0.0.1' })).status).toBe(401)
  const passwords = async (headers: Record<string, string>) =>
    (await askAs(demo.url, '/api/session', { host: 'localhost', ...headers })).text.includes('lantern-loaf')
  expect([await passwords({}), await passwords({ via: '1.1 proxy' }), await passwords({ forwarded: 'for=x' })]).toEqual(
    [true, false, false],
  )
  expect((await askAs(demo.url, '/', { host: '127.0.0.1' })).headers['x-powered-by']).toBeUndefined()
})

test('sockets are only there for sources, small, and not for nothing', async ({ demo }) => {
  const socketUrl = demo.url.replace('http', 'ws')
  const link = `${demo.boxes[1]?.sourceUrl.replace('http', 'ws')}/link`
  for (const path of ['/', '/api/channel/live', '/source', '/anything'])
    expect(await socketEnd(socketUrl + path), path).toBe('status 404')
  expect(await socketEnd(`${socketUrl}/source/src${'x'.repeat(32)}/link`)).toBe('status 401')
  expect(await socketEnd(link, (socket) => socket.send(Buffer.alloc(64 * 1024)))).toBe('code 1009')
  // Of a frame that claims a gigabyte nothing is waited for.
  expect(
    await socketEnd(link, (socket) => {
      const raw = (socket as unknown as { _socket: { write(bytes: Buffer): void } })._socket
      raw.write(Buffer.from([0x81, 0xff, 0, 0, 0, 0, 0x40, 0, 0, 0, 1, 2, 3, 4]))
    }),
  ).toBe('code 1009')
  // Those that say nothing are counted, and told to come later.
  const silent = Array.from({ length: 130 }, () => new WebSocket(link))
  const codes: number[] = []
  for (const socket of silent) socket.on('close', (code) => codes.push(code)).on('error', () => undefined)
  await expect.poll(() => codes.filter((code) => code === 1013).length, { timeout: 8000 }).toBeGreaterThanOrEqual(30)
  for (const socket of silent) socket.terminate()
  await expect.poll(() => socketEnd(link, (socket) => socket.close(1000)), { timeout: 8000 }).toBe('code 1000')
})

test('a live stream ends with its session', async ({ demo, signIn, page }) => {
  await signIn('moderator')
  const cookie = (await page.context().cookies()).find(({ path }) => path === '/')
  const answer = await fetch(`${demo.url}/api/channel/live`, {
    headers: { cookie: `${cookie?.name}=${cookie?.value}` },
  })
  const reader = answer.body?.getReader()
  expect(new TextDecoder().decode((await reader?.read())?.value)).toContain('data: ')
  await page.request.delete(`${demo.url}/api/session`)
  const isOver = async () => {
    for (let read = await reader?.read(); read && !read.done; read = await reader?.read());
    return true
  }
  expect(await isOver()).toBe(true)
})

/** What the browser says against the policy of a page. */
function violations(page: Page): string[] {
  const said: string[] = []
  page.on('console', (message) => {
    if (/Content.Security.Policy|Refused to/i.test(message.text())) said.push(message.text())
  })
  return said
}

test('no page asks for more than its policy lets it have', async ({ page, demo, signIn, context }) => {
  test.slow()
  const said = violations(page)
  await signIn()
  for (const path of ['/boxes', '/boxes/new', '/feeds', '/desk', '/media', '/rates', '/speech', '/triggers']) {
    const answer = await page.goto(demo.url + path)
    expect(answer?.headers()['content-security-policy']).toMatch(/default-src 'none'.*style-src 'self' 'nonce-/)
    expect(answer?.headers()['cross-origin-opener-policy']).toBe('same-origin')
    await page.waitForLoadState('networkidle').catch(() => undefined)
  }
  await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}?kind=tip`)
  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Headline', exact: true }).click()
  const words = page.locator('.cm-content').first()
  await expect(words).toBeVisible()
  // The editor of words has the style sheet that it makes for itself.
  expect(await words.evaluate((element) => getComputedStyle(element).whiteSpace)).toMatch(/break-spaces|pre-wrap/)
  const source = await context.newPage()
  const saidOnAir = violations(source)
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/tests`, {
    data: { kind: 'tip', viewer: 'emoji' },
  })
  await untilState(source, 'playing')
  await source.waitForTimeout(1500)
  expect([said, saidOnAir]).toEqual([[], []])
})

test('a page on air asks nobody but its server, also where a message has emotes from elsewhere', async ({
  demo,
  context,
}) => {
  const source = await context.newPage()
  const asked: string[] = []
  source.on('request', (asking) => asked.push(asking.url()))
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await fetch(`${demo.url}/api/events`, {
    method: 'POST',
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    body: JSON.stringify({
      specversion: '1.0',
      id: 'emotes-1',
      source: 'till',
      type: 'thundercrest.event.tip.v1',
      data: {
        viewer: { id: 'v', name: 'pip_rye', pictureUrl: 'https://elsewhere.invalid/pip.png' },
        amountMinor: 500,
        currency: 'EUR',
        message: { text: 'a loaf please', emotes: [{ from: 2, to: 6, url: 'https://elsewhere.invalid/loaf.png' }] },
      },
    }),
  })
  // What was tested before may still be on.
  await expect.poll(() => asked.some((url) => url.includes('/emotes/')), { timeout: 30_000 }).toBe(true)
  await untilState(source, 'playing')
  await source.waitForTimeout(1500)
  expect(asked.filter((url) => !url.startsWith(demo.url) && !/^(data|blob):/.test(url))).toEqual([])
})

test('a vector animation can neither style the page nor hang it', async ({ page, demo, signIn }) => {
  test.slow()
  await signIn()
  const asked: string[] = []
  page.on('request', (asking) => asked.push(asking.url()))
  await page.goto(`${demo.url}/media`)
  await expect(page.getByRole('heading', { name: 'Media', exact: true })).toBeVisible()
  const fonts = {
    list: [
      {
        fName: 'a',
        fFamily: 'x} body{display:none !important} y{',
        fStyle: '',
        origin: 3,
        fPath: 'https://elsewhere.invalid/a.css',
      },
      { fName: 'b', fFamily: 'b', fStyle: '', origin: 1, fPath: 'https://elsewhere.invalid/b.css' },
    ],
  }
  // Within what the door lets in, and far more than a page could draw in time.
  const circles = Array.from({ length: 300 }, (_, index) => ({
    ty: 'el',
    s: { a: 0, k: [2000, 2000] },
    p: { a: 0, k: [index % 97, index % 61] },
  }))
  const heavy = JSON.parse(vectorAnimation({ nm: 'heavy' })) as { layers: { shapes: unknown[] }[] }
  heavy.layers = Array.from({ length: 60 }, () => ({
    ...heavy.layers[0]!,
    shapes: [
      {
        ty: 'gr',
        it: [...circles, { ty: 'fl', c: { a: 0, k: [1, 0, 0, 1] }, o: { a: 0, k: 50 }, r: 1 }],
      },
    ],
  }))
  await dropFiles(page, 'main input[type=search]', [
    { name: 'styled.json', bytes: Buffer.from(vectorAnimation({ nm: 'styled', fonts })) },
    { name: 'heavy.json', bytes: Buffer.from(JSON.stringify(heavy)) },
  ])
  const files = page.getByRole('list', { name: 'Files', exact: true })
  // A new demo's own files are measured before them. The heavy one is looked at for as long as the machine takes to draw it.
  for (const name of [/styled\.json/, /heavy\.json/])
    await expect(files.getByRole('button', { name })).toBeVisible({ timeout: 60_000 })
  // While it is looked at, the page goes on.
  let longest = 0
  for (let turn = 0; turn < 12; turn++) {
    const fromMs = Date.now()
    await page.evaluate(() => new Promise(requestAnimationFrame))
    longest = Math.max(longest, Date.now() - fromMs)
    await page.waitForTimeout(250)
  }
  expect(longest).toBeLessThan(5000)
  await expect(page.getByRole('heading', { name: 'Media', exact: true })).toBeVisible()
  expect(asked.filter((url) => url.includes('elsewhere.invalid'))).toEqual([])
})

test('what a delivery holds that cannot be kept is cleaned or turned away by itself, with nothing beside it', async ({
  demo,
}) => {
  const notice = (ref: string, changes: object = {}) => ({
    what: 'tip',
    ref,
    at: new Date().toISOString(),
    who: { ref: 'v', shown_as: 'Zoë' },
    sum: '5.00',
    money: 'EUR',
    ...changes,
  })
  expect(
    await deliverNotices(
      demo,
      notice('fine-1'),
      notice('nul-\u0000', { words: 'a\u0000b' }),
      notice('half-\ud83e', { who: { ref: 'x\ud83e', shown_as: '\ud83e' } }),
      notice('year-0', { at: '0000-01-01T00:00:00Z' }),
      notice('year-9999', { at: '9999-12-31T23:59:59-12:00' }),
      notice('fine-2'),
    ),
  ).toEqual({ accepted: 4, repeated: 0, rejected: 2 })
})

test('half a request keeps nobody waiting', async ({ demo }) => {
  const { port } = new URL(demo.url)
  const slow = Array.from({ length: 40 }, () => connect(Number(port), '127.0.0.1'))
  for (const socket of slow)
    socket.on('error', () => undefined).write('POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Le')
  expect((await fetch(`${demo.url}/healthz`)).status).toBe(200)
  for (const socket of slow) socket.destroy()
})

test('what is begun and not finished has a measure, and a pack arrives in pieces', async ({ demo, signIn, page }) => {
  await signIn('editor')
  const tus = { 'tus-resumable': '1.0.0' }
  const begin = (path: string, bytes: number) =>
    page.request.post(demo.url + path, { headers: { ...tus, 'upload-length': String(bytes) } })
  const statuses: number[] = []
  for (let count = 0; count < 40; count++) statuses.push((await begin('/api/channel/uploads', 60_000_000)).status())
  expect(statuses.filter((status) => status === 201).length).toBe(35)
  expect(statuses.at(-1)).toBe(429)

  const bytes = await hostilePacks.at(-1)?.bytes()
  const made = await begin('/api/packs/uploads', bytes?.length ?? 0)
  const place = new URL(made.headers().location ?? '', demo.url).href
  const uploadId = decodeURIComponent(place.split('/').at(-1) ?? '')
  const bring = () => page.request.post(`${demo.url}/api/packs`, { data: { uploadId } })
  const send = (offset: number, data: Buffer | undefined) =>
    page.request.patch(place, {
      headers: { ...tus, 'upload-offset': String(offset), 'content-type': 'application/offset+octet-stream' },
      data: data ?? Buffer.alloc(0),
    })
  expect((await send(0, bytes?.subarray(0, 2))).status()).toBe(204)
  expect((await bring()).status()).toBe(404)
  expect((await send(2, bytes?.subarray(2))).status()).toBe(204)
  const refused = await bring()
  expect([refused.status(), ((await refused.json()) as { detail: string }).detail]).toEqual([
    422,
    'The pack was not taken: The file is no zip, or is damaged.',
  ])
  expect((await bring()).status()).toBe(404)
})
