// A night that grows long: events at a steady pace with sources and desks connected and a year's history behind it, then a
// great many in batches, then the process is killed. Beside it, in the same run, the same inserts without anything around them.
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { openEmbedded } from '../server/db/openEmbedded.ts'
import { openServer } from '../server/db/openServer.ts'
import { fillHistory } from '../test/arrange/history.ts'
import { deliverNotices, followNotice } from '../test/arrange/cedar.ts'
import { startPostgres } from '../test/arrange/postgres.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { FaultSource } from '../test/faults/faultSource.ts'
import { readKept } from './figuresPage.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const option = (name: string, usual: number) =>
  Number(process.argv.find((argument) => argument.startsWith(`--${name}=`))?.split('=')[1] ?? usual)
const seconds = option('seconds', 300)
const history = option('history', 1_000_000)
const inBatches = option('batches', 20_000)
const asked = process.argv.find((argument) => argument.startsWith('--database='))?.split('=')[1]
const kinds = asked ? [asked] : ['embedded', 'server']
const perSecond = 50
/** Of the box that all events are for, and beside them listeners as fifty boards would have. */
const sourceCount = 200
const listenerCount = 50

const nameOf = (kind: string) => (kind === 'server' ? 'PostgreSQL' : 'embedded')
const pause = (wait: number) => new Promise((resolve) => setTimeout(resolve, wait))
const mib = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MiB`

/** What a process and those that it started hold in memory. */
function residentBytes(pid: number): number {
  const of = (each: number) => Number(readFileSync(`/proc/${each}/statm`, 'utf8').split(' ')[1]) * 4096
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim()
  return (
    of(pid) + (children === '' ? [] : children.split(' ')).reduce((sum, child) => sum + residentBytes(Number(child)), 0)
  )
}

/** The lag of the server's event loop in seconds, as it says itself. */
async function lagOf(server: TestServer): Promise<number> {
  const text = await (await fetch(`${server.url}/metrics`)).text()
  return Number(/^nodejs_eventloop_lag_p99_seconds (\S+)/m.exec(text)?.[1] ?? NaN)
}

async function measure(kind: string): Promise<Measured[]> {
  const postgres = kind === 'server' ? await startPostgres() : null
  const env = { THUNDERCREST_DEMO: '1', ...(postgres ? { DATABASE_URL: postgres.url } : {}) }
  const server = await TestServer.start(env)
  const boxId = server.demo.boxes[0]?.id ?? ''
  const atRest = await (async () => {
    await pause(20_000)
    return residentBytes(server.pid ?? 0)
  })()
  await server.end('SIGTERM')
  const handle = postgres
    ? await openServer(postgres.url)
    : await openEmbedded(join(server.dataFolder, 'database'), null)
  const { rows } = (await handle.db.execute(
    `select on_air_version_id as id from box where id = '${boxId}'` as never,
  )) as unknown as {
    rows: { id: string }[]
  }
  await fillHistory(handle, {
    events: history,
    waiting: 0,
    boxId,
    versionId: rows[0]?.id ?? '',
    channelId: 'channel-lantern-loaf',
  })
  await handle.execute('analyze')
  await handle.close()
  await server.run()
  const { demo } = server
  const second = postgres ? await server.beside() : null
  const urls = [demo.url, second?.url ?? demo.url]
  /** Where a source finds its box, at one process or at the other. */
  const linkOf = (box: number, at: number) =>
    `${demo.boxes[box]?.sourceUrl.replace(demo.url, urls[at % 2] ?? demo.url).replace('http', 'ws')}/link`
  const sources: FaultSource[] = []
  for (let at = 0; at < sourceCount + listenerCount; at++) {
    const source = new FaultSource(linkOf(at < sourceCount ? 0 : 1, at))
    sources.push(source)
    while (!source.isConnected) await pause(2)
  }
  const cookie = await cookieOf(demo)
  const desks = await Promise.all(
    urls.map(async (url) => {
      const ending = new AbortController()
      const answer = await fetch(`${url}/api/channel/live`, { headers: { cookie }, signal: ending.signal })
      void (async () => {
        const reader = answer.body?.getReader()
        while (!(await reader?.read().catch(() => ({ done: true })))?.done);
      })()
      return ending
    }),
  )
  // Of this program itself: what it adds is not the server's.
  const own = monitorEventLoopDelay({ resolution: 10 })
  own.enable()
  const accepting: number[] = []
  const memory: number[] = []
  const lags: number[] = []
  const open = new Set<Promise<void>>()
  const startedMs = performance.now()
  for (let sent = 0; performance.now() - startedMs < seconds * 1000; sent++) {
    const fromMs = performance.now()
    const sending = deliverNotices(demo, followNotice('kneadybeast')).then(
      () => void accepting.push(performance.now() - fromMs),
      () => void accepting.push(Infinity),
    )
    open.add(sending)
    void sending.finally(() => open.delete(sending))
    if (sent % (perSecond * 10) === 0) {
      memory.push(residentBytes(server.pid ?? 0))
      lags.push(await lagOf(server))
    }
    const nextMs = startedMs + ((sent + 1) * 1000) / perSecond
    await pause(Math.max(0, nextMs - performance.now()))
  }
  await Promise.all(open)
  const afterAMinute = memory[Math.min(memory.length - 1, 6)] ?? 0
  const batchFromMs = performance.now()
  for (let sent = 0; sent < inBatches; sent += 100)
    await deliverNotices(demo, ...Array.from({ length: 100 }, () => followNotice('pip_rye')))
  const batchMs = performance.now() - batchFromMs
  const largest = residentBytes(server.pid ?? 0)
  for (const source of sources) source.close()
  for (const desk of desks) desk.abort()
  await second?.end('SIGTERM')
  await server.end('SIGKILL')
  const killedMs = performance.now()
  await server.run()
  const readyMs = performance.now() - killedMs
  await server.remove()
  await postgres?.stop()
  const name = nameOf(kind)
  return [
    {
      what: `${name}: ${perSecond} events / s for ${seconds} s, ${history.toLocaleString('en')} behind`,
      figures: {
        'accepting p50': ms(percentile(accepting, 0.5)),
        p99: ms(percentile(accepting, 0.99)),
        'lag p99': ms(Math.max(...lags.slice(1)) * 1000),
        refused: String(accepting.filter((each) => each === Infinity).length),
        'sender’s own lag p99': ms(own.percentile(99) / 1e6),
      },
    },
    {
      what: `${name}: memory in all`,
      figures: {
        'at rest': mib(atRest),
        'after a minute': mib(afterAMinute),
        'at the end': mib(memory.at(-1) ?? 0),
        'after the batches': mib(largest),
      },
    },
    {
      what: `${name}: ${inBatches.toLocaleString('en')} in batches of 100, then killed`,
      figures: { 'events / s': ((inBatches * 1000) / batchMs).toFixed(0), 'ready after': ms(readyMs) },
    },
  ]
}

// Of the database that is not measured now, what was measured of it before is kept.
const others =
  kinds.length > 1
    ? []
    : (readKept().find(({ name }) => name === 'sustained')?.measured ?? []).filter(
        ({ what }) => !what.startsWith(nameOf(kinds[0] ?? '')),
      )
const measured: Measured[] = []
for (const kind of kinds) measured.push(...(await measure(kind)))
report(
  'sustained',
  [...measured, ...others],
  [
    'Two hundred sources of the box, fifty listeners of another and two desks are connected; with PostgreSQL half of each to a second process, which shares the processors. Memory is that of the server and its own processes (voices, measuring) together; the PostgreSQL server’s own is not in it.',
    'The sender runs on the same two processors.',
  ],
)
process.exit(0)
