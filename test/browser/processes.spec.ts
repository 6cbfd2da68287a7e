import { expect, test, type BrowserContext } from '@playwright/test'
import { deliverNotices, followNotice } from '../arrange/cedar.ts'
import { oneByOne } from '../arrange/policies.ts'
import { ownerOf } from '../arrange/owners.ts'
import { untilState, watchPlays } from '../arrange/fixtures.ts'
import { hasPostgres, startPostgres, type Postgres } from '../arrange/postgres.ts'
import { TestServer } from '../arrange/server.ts'

test.slow()

let postgres: Postgres
let servers: [TestServer, TestServer]

test.beforeEach(async () => {
  postgres = await startPostgres()
  const first = await TestServer.start({ THUNDERCREST_DEMO: '1', DATABASE_URL: postgres.url })
  servers = [first, await first.beside()]
})
test.afterEach(async () => {
  await servers[1].end('SIGKILL')
  await servers[0].remove()
  await postgres.stop()
})

/** The box's owner and the other process. */
async function owned(): Promise<{ owner: TestServer; other: TestServer; boxId: string }> {
  const boxId = servers[0].demo.boxes[0]?.id ?? ''
  const pid = await ownerOf(postgres.url, boxId)
  const owner = servers.find((each) => String(each.pid) === pid) ?? servers[0]
  return { owner, other: owner === servers[0] ? servers[1] : servers[0], boxId }
}

/** Two sources and a desk of a process. */
async function connected(context: BrowserContext, { demo }: TestServer) {
  const sources = await Promise.all([context.newPage(), context.newPage()])
  const plays = await Promise.all(sources.map(watchPlays))
  for (const source of sources) {
    await source.goto(demo.boxes[0]?.sourceUrl ?? '')
    await untilState(source, 'waiting')
  }
  const desk = await context.newPage()
  const moderator = demo.accounts.find(({ role }) => role === 'moderator')
  const { email, password } = moderator ?? {}
  await desk.request.post(`${demo.url}/api/session`, { data: { email, password } })
  await desk.goto(`${demo.url}/desk`)
  await expect(desk.getByText('Quiet. The next alert shows here as it plays.')).toBeVisible()
  return { sources, plays, desk }
}

// Where there is no PostgreSQL there is nothing that two processes could share.
if (hasPostgres) {
  test('two processes show one box; one is killed in mid-play, and the show goes on', async ({ context }) => {
    const { owner, other } = await owned()
    await oneByOne(owner.demo)
    const there = await connected(context, owner)
    const here = await connected(context, other)
    for (const { desk } of [there, here])
      await expect(desk.getByLabel('Sources', { exact: true }).getByText('connected for')).toHaveCount(4)

    // What comes in at either is shown by all, and both desks say so.
    await deliverNotices(other.demo, followNotice('caraway_owl'))
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'playing')
    for (const { desk } of [there, here])
      await expect(desk.getByRole('region', { name: 'On air' }).getByText('on 4 of 4')).toBeVisible()
    await deliverNotices(owner.demo, followNotice('Juno Flint'), followNotice('pip_rye'))
    for (const { desk } of [there, here])
      await expect(desk.getByRole('region', { name: 'Waiting' }).getByText('pip_rye')).toBeVisible()

    await owner.end('SIGKILL')
    // The first was in its middle: it plays to its end, and the others follow as if nothing had been.
    for (const plays of here.plays)
      await expect
        .poll(async () => new Set((await plays()).map(({ event }) => event)).size, { timeout: 60_000 })
        .toBe(3)
    const log = here.desk.getByRole('region', { name: 'Log' })
    for (const name of ['caraway_owl', 'Juno Flint', 'pip_rye'])
      await expect(log.getByText(name, { exact: true }).first()).toBeVisible({ timeout: 30_000 })
    // Nothing was shown twice.
    for (const plays of here.plays) expect(await plays()).toHaveLength(3)
  })

  test('desks of both processes hold, skip and silence the same line, and an address is replaced on both', async ({
    context,
  }) => {
    const { owner, other, boxId } = await owned()
    const there = await connected(context, owner)
    const here = await connected(context, other)
    await here.desk.keyboard.press('h')
    await expect(there.desk.getByText('Held. Nothing starts until you let it go on.')).toBeVisible()
    await deliverNotices(other.demo, followNotice('crust_and_co'))
    await expect(here.desk.getByRole('region', { name: 'Waiting' }).getByText('crust_and_co')).toBeVisible()
    await there.desk.keyboard.press('h')
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'playing')
    await here.desk.keyboard.press('s')
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'waiting')
    await expect(there.desk.getByText('skipped by tallowmoth').first()).toBeVisible()

    const { email, password } = other.demo.accounts.find(({ role }) => role === 'owner') ?? {}
    await here.desk.request.post(`${other.demo.url}/api/session`, { data: { email, password } })
    // Put away and brought back at the process that does not carry it out.
    for (const isPutAway of [true, false]) {
      const changed = await here.desk.request.patch(`${other.demo.url}/api/boxes/${boxId}`, { data: { isPutAway } })
      expect(changed.status()).toBe(200)
    }
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'waiting')
    await deliverNotices(owner.demo, followNotice('sootkettle'))
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'playing')
    expect((await here.desk.request.post(`${other.demo.url}/api/boxes/${boxId}/address`)).status()).toBe(200)
    for (const source of [...there.sources, ...here.sources]) await untilState(source, 'offline')

    // A process that is stopped hands over at once.
    await owner.end('SIGTERM')
    expect(await ownerOf(postgres.url, boxId)).toBe(String(other.pid))
  })
}
