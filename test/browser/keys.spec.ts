import { execFile } from 'node:child_process'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { CloudEvent, HTTP, type Message } from 'cloudevents'
import openapiTS, { astToString } from 'openapi-typescript'
import { keysMost, type MadeKey, type Scope } from '../../contract/keys.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'

test.use({ serverFor: 'keys' })

const data = (name: string) => ({ viewer: { id: name, name } })
const type = 'thundercrest.event.follow.v1'

test('a key is made by hand, works as it says, is told once and ends at once', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(`${demo.url}/keys`)
  await page.getByLabel('For which program').fill('The till’s bot')
  await page.keyboard.press('Tab')
  // By keyboard: it sends already; it reads, too.
  await page.getByLabel('read events').press('Space')
  await page.getByRole('button', { name: 'Make the key' }).press('Enter')
  const key = await page.getByLabel('The key', { exact: true }).innerText()
  expect(key).toMatch(/^tck_\S{32}$/)
  await expectNoFaults(page, artwork)
  const row = page
    .getByRole('list', { name: 'Keys of programs' })
    .getByRole('listitem')
    .filter({ hasText: 'The till’s bot' })
  await expect(row).toContainText('may send events, read events')
  await expect(row).toContainText('never used')

  // The command that the page shows, word for word.
  const command = await page.getByLabel('To see it work').innerText()
  const { stdout } = await promisify(execFile)('sh', ['-c', command])
  expect(JSON.parse(stdout)).toEqual({ accepted: 1, repeated: 0, rejected: 0 })
  const headers = { authorization: `Bearer ${key}` }
  const read = await page.request.get(`${demo.url}/api/events?limit=500`, { headers })
  expect(JSON.stringify(await read.json())).toContain('pip_rye')
  const [box] = demo.boxes
  // Nothing else: what it was not made for, and what no program does.
  const held = { method: 'PUT', headers: { ...headers, 'content-type': 'application/json' }, body: '{"isHeld":true}' }
  expect((await fetch(`${demo.url}/api/boxes/${box?.id}/held`, held)).status).toBe(403)
  expect((await fetch(`${demo.url}/api/people`, { headers })).status).toBe(401)

  await page.reload()
  await expect(row).toContainText('used')
  await expect(page.getByText(key)).toHaveCount(0)
  await row.getByRole('button', { name: 'End The till’s bot' }).click()
  await row.getByRole('button', { name: 'End The till’s bot', exact: true }).last().click()
  await expect(row).toHaveCount(0)
  expect((await page.request.get(`${demo.url}/api/events`, { headers })).status()).toBe(401)
  await page.goto(`${demo.url}/trail`)
  await expect(page.getByText('ended the key The till’s bot')).toBeVisible()
})

/** A key of the demo's channel. */
async function keyFor(
  request: { post: (url: string, options: { data: unknown }) => Promise<{ json: () => Promise<unknown> }> },
  url: string,
  scopes: Scope[],
  perMinute = 6000,
) {
  const answer = await request.post(`${url}/api/keys`, { data: { name: scopes.join(), scopes, perMinute } })
  return (await answer.json()) as MadeKey
}

test('the usual library of CloudEvents sends in each of its modes', async ({ page, demo, signIn }) => {
  await signIn()
  const { secret } = await keyFor(page.request, demo.url, ['send', 'read'])
  const authorization = `Bearer ${secret}`
  const event = (id: string, name: string) => new CloudEvent({ id, source: '/till', type, data: data(name) })
  const send = async ({ headers, body }: Message) =>
    fetch(`${demo.url}/api/events`, {
      method: 'POST',
      headers: { ...(headers as Record<string, string>), authorization },
      body: String(body),
    })
  for (const [id, message] of [
    ['structured', HTTP.structured(event('structured', 'Maud'))],
    // As it comes from the library: what programs send where nobody chose.
    ['binary', HTTP.binary(event('binary', 'Zoë'))],
  ] as const) {
    const answer = await send(message)
    expect([id, answer.status, await answer.json()]).toEqual([id, 202, { accepted: 1, repeated: 0, rejected: 0 }])
    expect(await (await send(message)).json()).toEqual({ accepted: 0, repeated: 1, rejected: 0 })
  }
  const batch = [event('b1', 'Pip'), event('b2', 'Rye')].map((each) => each.toJSON())
  const batched = { headers: { 'content-type': 'application/cloudevents-batch+json' }, body: JSON.stringify(batch) }
  expect(await (await send(batched)).json()).toEqual({ accepted: 2, repeated: 0, rejected: 0 })
  // Attributes that are no plain ASCII come percent-encoded; what is wrong is said by its name.
  const odd = HTTP.binary(event('odd', 'Ü'))
  const withSource = { ...odd, headers: { ...odd.headers, 'ce-source': '/b%C3%A4ckerei' } }
  expect((await send(withSource)).status).toBe(202)
  const wrong = await send({ ...odd, headers: { ...odd.headers, 'ce-type': 'haircut' } })
  expect([wrong.status, await wrong.text()]).toEqual([422, expect.stringContaining('haircut')])
  const read = await fetch(`${demo.url}/api/events?limit=500`, { headers: { authorization } })
  const { events } = (await read.json()) as { events: { source: string; externalId: string; data: unknown }[] }
  const own = events.filter(({ source }) => source.startsWith('api:/'))
  expect(own.find(({ externalId }) => externalId === 'binary')?.data).toEqual(data('Zoë'))
  expect(own.find(({ externalId }) => externalId === 'odd')?.source).toBe('api:/bäckerei')
})

test('a key that asks too often is told when to ask again, and no other is', async ({ page, demo, signIn }) => {
  await signIn()
  const slow = await keyFor(page.request, demo.url, ['read'], 60)
  const other = await keyFor(page.request, demo.url, ['read'], 60)
  const ask = (secret: string) =>
    fetch(`${demo.url}/api/events?limit=1`, { headers: { authorization: `Bearer ${secret}` } })
  const statuses = await Promise.all(Array.from({ length: 61 }, async () => (await ask(slow.secret)).status))
  expect(statuses.filter((status) => status === 200)).toHaveLength(60)
  const refused = await ask(slow.secret)
  expect(refused.status).toBe(429)
  expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0)
  expect((await ask(other.secret)).status).toBe(200)
})

test('a client that is generated from the contract compiles and works', async ({ page, demo, signIn }) => {
  test.slow()
  await signIn()
  const { secret } = await keyFor(page.request, demo.url, ['send', 'read', 'desk'])
  const folder = fileURLToPath(new URL('../../test-results/client/', import.meta.url))
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const contract = (await (await fetch(`${demo.url}/openapi.json`)).json()) as Parameters<typeof openapiTS>[0]
  writeFileSync(`${folder}contract.ts`, astToString(await openapiTS(contract)))
  writeFileSync(
    `${folder}program.ts`,
    `import createClient from 'openapi-fetch'
import type { paths } from './contract.ts'
const client = createClient<paths>({ baseUrl: ${JSON.stringify(demo.url)}, headers: { authorization: ${JSON.stringify(`Bearer ${secret}`)} } })
const sent = await client.POST('/api/events', {
  headers: { 'content-type': 'application/cloudevents+json' },
  body: { specversion: '1.0', id: 'generated', source: '/client', type: '${type}', data: ${JSON.stringify(data('Wick'))} },
})
const accepted: number | undefined = sent.data?.accepted
const { data: page } = await client.GET('/api/events', { params: { query: { after: 0, limit: 500 } } })
const names: string[] = (page?.events ?? []).map(({ kind }) => kind)
const { data: boxes } = await client.GET('/api/boxes')
const boxId: string = boxes?.boxes[0]?.id ?? ''
const held = await client.PUT('/api/boxes/{boxId}/held', { params: { path: { boxId } }, body: { isHeld: false } })
const { error } = await client.POST('/api/boxes/{boxId}/tests', { params: { path: { boxId } }, body: {} as never })
console.log(JSON.stringify({ accepted, count: names.length, held: held.response.status, refused: error?.detail }))
`,
  )
  const run = promisify(execFile)
  const root = fileURLToPath(new URL('../../', import.meta.url))
  const options = [
    '--noEmit',
    '--strict',
    '--skipLibCheck',
    '--target',
    'es2022',
    '--module',
    'esnext',
    '--moduleResolution',
    'bundler',
    '--allowImportingTsExtensions',
    '--types',
    'node',
  ]
  await run(process.execPath, ['node_modules/typescript/bin/tsc', ...options, `${folder}program.ts`], { cwd: root })
  const { stdout } = await run(process.execPath, ['--import', 'tsx', `${folder}program.ts`], { cwd: root })
  expect(JSON.parse(stdout)).toEqual({
    ...{ accepted: 1, count: expect.any(Number) as unknown, held: 200 },
    refused: expect.stringContaining('may not do this') as unknown,
  })
})

test('ten thousand keys are not made: a channel has as many as somebody can look over', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const statuses: number[] = []
  for (let at = 0; at < keysMost + 1; at++)
    statuses.push(
      (await page.request.post(`${demo.url}/api/keys`, { data: { name: `${at}`, scopes: ['read'] } })).status(),
    )
  expect(statuses.at(-1)).toBe(409)
  await page.goto(`${demo.url}/keys`)
  await expect(page.getByRole('list', { name: 'Keys of programs' }).getByRole('listitem')).toHaveCount(keysMost)
  for (const body of [
    { name: 'x', scopes: [] },
    { name: '', scopes: ['read'] },
    { name: 'x', scopes: ['rule'] },
  ])
    expect((await page.request.post(`${demo.url}/api/keys`, { data: body })).status()).toBe(422)
})
