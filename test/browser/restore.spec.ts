import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, testWithOwnServer as test, untilState, watchPlays } from '../arrange/fixtures.ts'
import { operate } from '../arrange/operate.ts'
import { TestServer } from '../arrange/server.ts'

/** A folder beside, gone afterwards. */
function beside(): string {
  return mkdtempSync(join(tmpdir(), 'thundercrest-restored-'))
}

test('a backup that is taken while the server runs goes into an empty server, and the same alert plays there', async ({
  server,
  page,
  browser,
}) => {
  // Several commands, each of which opens a database.
  test.setTimeout(420_000)
  const data = beside()
  const file = join(data, 'loaf.tar')
  const { demo } = server
  const [box] = demo.boxes
  expect(await operate('backup', file, '--data', server.dataFolder)).toContain('keep it as you keep a key')
  await expect(operate('backup', file, '--data', server.dataFolder)).rejects.toThrow('already')
  await expect(operate('restore', file, '--data', server.dataFolder)).rejects.toThrow(
    'A server runs on this data folder',
  )
  // The same without a server: only the folder.
  await server.end('SIGTERM')
  const other = join(data, 'other.tar')
  await operate('backup', other, '--data', server.dataFolder)
  await expect(operate('restore', file, '--data', server.dataFolder)).rejects.toThrow('This server is not empty')

  const folder = join(data, 'data')
  const printed = await operate('restore', file, '--data', folder)
  const link = /\/password\/\S+/.exec(printed)?.[0] ?? ''
  expect(printed).toContain(demo.accounts[0]?.email ?? '-')
  const restored = await TestServer.on(folder, { THUNDERCREST_DEMO: '0' })
  try {
    await page.goto(`${restored.url}${link}`)
    await page.getByLabel('Password').fill('the way back is a loaf')
    await page.getByRole('button', { name: 'Set it and sign in' }).click()
    await expect(page.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
    // At the address that it had, with the key that it had.
    const source = await (await browser.newContext()).newPage()
    const plays = await watchPlays(source)
    await source.goto(restored.url + new URL(box?.sourceUrl ?? '').pathname)
    await untilState(source, 'waiting')
    const sent = await fetch(`${restored.url}/api/events`, {
      method: 'POST',
      headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
      body: JSON.stringify({
        ...{ specversion: '1.0', id: 'back', source: '/till', type: 'thundercrest.event.follow.v1' },
        data: { viewer: { id: 'pip', name: 'pip_rye' } },
      }),
    })
    expect(await sent.json()).toMatchObject({ accepted: 1 })
    await expect.poll(async () => (await plays())[0]?.text ?? '', { timeout: 20_000 }).toContain('pip_rye')
    await page.goto(`${restored.url}/trail`)
    await expect(page.getByText('restored the channel from a backup')).toBeVisible()
    await expect(page.getByText('took a backup')).toBeVisible()
    expect(await operate('doctor', '--data', folder)).toMatch(/ok {3}Server/)
  } finally {
    await restored.remove()
    rmSync(data, { recursive: true, force: true })
  }
})

test('a database that is damaged or gone is never made anew; what was there is kept where another is put in its place', async ({
  server,
}) => {
  // Several commands, each of which opens a database.
  test.setTimeout(420_000)
  const { dataFolder } = server
  const database = join(dataFolder, 'database')
  const file = join(dataFolder, 'loaf.tar')
  await operate('backup', file, '--data', dataFolder)
  await server.end('SIGTERM')

  renameSync(database, `${database}-elsewhere`)
  await expect(server.run()).rejects.toThrow('is gone')
  expect(existsSync(database)).toBe(false)
  await expect(operate('doctor', '--data', dataFolder)).rejects.toMatchObject({
    stdout: expect.stringContaining('is missing') as unknown,
  })
  renameSync(`${database}-elsewhere`, database)

  // What is needed to open it is gone, and everything else is there.
  rmSync(join(database, 'PG_VERSION'))
  const files = readdirSync(database).sort()
  await expect(server.run()).rejects.toThrow('it is damaged')
  expect(readdirSync(database).sort()).toEqual(files)
  await expect(operate('restore', file, '--data', dataFolder)).rejects.toThrow()
  expect(readdirSync(database).sort()).toEqual(files)

  expect(await operate('restore', file, '--data', dataFolder, '--set-aside')).toContain('What was there lies in')
  const aside = readdirSync(dataFolder).find((name) => name.startsWith('database.set-aside'))
  expect(readdirSync(join(dataFolder, aside ?? '-')).sort()).toEqual(files)
  await server.run()
  expect((await fetch(`${server.url}/readyz`)).ok).toBe(true)
})
