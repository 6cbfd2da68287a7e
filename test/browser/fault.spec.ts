import { deliverNotices, followNotice } from '../arrange/cedar.ts'
import { expect, testWithOwnServer as test, untilState, watchPlays } from '../arrange/fixtures.ts'
import { oneByOne } from '../arrange/policies.ts'

test('killed in the middle of a play: the source comes back by itself, nothing acknowledged is missing, nothing plays twice', async ({
  page,
  server,
}) => {
  test.setTimeout(120_000)
  const { demo } = server
  await oneByOne(demo)
  const plays = await watchPlays(page)
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  const names = ['pip_rye', 'sootkettle', 'Zoë']
  for (const name of names) expect((await deliverNotices(demo, followNotice(name))).accepted).toBe(1)
  await untilState(page, 'playing')
  await page.waitForTimeout(1500)

  await server.end('SIGKILL')
  // What it had begun it shows to its end, server or not.
  await page.waitForTimeout(1000)
  expect(await page.locator('html').getAttribute('data-state')).toBe('playing')
  await expect(page.getByText('pip_rye')).toBeVisible()
  await untilState(page, 'offline')
  await server.run()
  await expect.poll(async () => (await plays()).length, { timeout: 60_000 }).toBe(3)
  await expect.poll(async () => (await plays()).every((each) => each.text !== ''), { timeout: 10_000 }).toBe(true)
  await untilState(page, 'waiting', 30_000)
  await page.waitForTimeout(1500)

  const seen = await plays()
  expect(new Set(seen.map((each) => each.play)).size).toBe(3)
  expect(seen.map((each) => each.text.split('\n')[0])).toEqual(names)
})

test('killed before anything was shown: what was acknowledged plays after the restart', async ({ page, server }) => {
  const { demo } = server
  await oneByOne(demo)
  await deliverNotices(demo, followNotice('MarrowHat'), followNotice('نورا_خبز'))
  await server.end('SIGKILL')
  await server.run()
  const plays = await watchPlays(page)
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await expect.poll(async () => (await plays()).length, { timeout: 30_000 }).toBe(2)
})

test('an alert that came while no source was connected waits, and is said to wait', async ({
  page,
  server,
  signIn,
  context,
}) => {
  const { demo } = server
  await signIn()
  await page.goto(`${demo.url}/desk?box=${demo.boxes[1]?.id}`)
  await deliverNotices(demo, followNotice('kneadybeast'))
  const waiting = page.getByRole('region', { name: 'Waiting' })
  await expect(waiting.getByText('kneadybeast')).toBeVisible()
  await expect(waiting.getByText(/waiting for a source/)).toBeVisible()
  const source = await context.newPage()
  await source.goto(demo.boxes[1]?.sourceUrl ?? '')
  await expect(source.getByText('kneadybeast')).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('region', { name: 'On air' }).getByText('kneadybeast').first()).toBeVisible()
})

test('stops in order and quickly, with sources connected, and a source returns to the new process', async ({
  page,
  server,
}) => {
  await page.goto(server.demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  expect(await server.end('SIGTERM')).toBeLessThan(8000)
  await untilState(page, 'offline')
  await server.run()
  await untilState(page, 'waiting', 30_000)
})

test('a second server on the same data is refused with a clear line', async ({ server }) => {
  const { spawnSync } = await import('node:child_process')
  const second = spawnSync(process.execPath, ['.output/server/index.mjs'], {
    env: { PATH: process.env.PATH, PORT: '0', THUNDERCREST_DATA: server.dataFolder },
    encoding: 'utf8',
    timeout: 20_000,
  })
  expect(second.status).toBe(1)
  expect(second.stderr).toContain('Another Thundercrest is using the data folder')
})

test('a bad setting stops the start with one clear line', async () => {
  const { spawnSync } = await import('node:child_process')
  const started = spawnSync(process.execPath, ['.output/server/index.mjs'], {
    env: { PATH: process.env.PATH, PORT: '0', DATABASE_URL: 'mysql://root:hunter2@db' },
    encoding: 'utf8',
    timeout: 20_000,
  })
  expect(started.status).toBe(1)
  expect(started.stderr).toContain('Thundercrest cannot start: DATABASE_URL must begin with postgres://')
  expect(started.stderr + started.stdout).not.toContain('hunter2')
})
