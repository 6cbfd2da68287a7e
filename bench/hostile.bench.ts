// What means harm: files through the measuring processes, packs and bodies through the running server. How much is refused, what
// takes longest, what it costs in memory, and how long anybody else waits meanwhile.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { measureMemoryBytes } from '../server/media/measure/limits.ts'
import { Measurer } from '../server/media/measurer.ts'
import { oddBodies, routesWithBodies } from '../test/arrange/oddBodies.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { hostileFiles } from '../test/media/hostile.ts'
import { hostilePacks } from '../test/media/hostilePacks.ts'
import { ms, report, type Measured } from './report.ts'

const mib = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MiB`

/** Does things one after another and keeps what took longest. */
async function each<T>(things: readonly T[], nameOf: (thing: T) => string, act: (thing: T) => Promise<boolean>) {
  let refused = 0
  let longest = { took: 0, name: '' }
  for (const thing of things) {
    const fromMs = performance.now()
    if (await act(thing)) refused += 1
    const took = performance.now() - fromMs
    if (took > longest.took) longest = { took, name: nameOf(thing) }
  }
  return { tried: things.length, refused, longest: `${ms(longest.took)} (${longest.name})` }
}

const measured: Measured[] = []
const folder = mkdtempSync(join(tmpdir(), 'thundercrest-hostile-'))
const measurer = new Measurer({
  path: fileURLToPath(new URL('../.output/server/measure.mjs', import.meta.url)),
  execArgv: [],
})
const files = await each(
  hostileFiles,
  ({ name }) => name,
  async ({ name, bytes }) => {
    const path = join(folder, name)
    writeFileSync(path, bytes())
    return !(await measurer.measure(path)).ok
  },
)
measured.push({
  what: 'files',
  figures: { ...files, 'memory, at most': `${mib(measurer.peakBytes)} of ${mib(measureMemoryBytes)}` },
})
measurer.close()
rmSync(folder, { recursive: true, force: true })

const server = await TestServer.start()
const { demo } = server
const cookie = await cookieOf(demo)
// Somebody who has nothing to do with it, and waits.
let waitedMs = 0
let memory = 0
let isOver = false
const bystander = (async () => {
  while (!isOver) {
    const fromMs = performance.now()
    await fetch(`${demo.url}/healthz`).then((answer) => answer.text())
    waitedMs = Math.max(waitedMs, performance.now() - fromMs)
    memory = Math.max(memory, Number(readFileSync(`/proc/${server.pid}/statm`, 'utf8').split(' ')[1]) * 4096)
    await new Promise((resolve) => setTimeout(resolve, 10))
  }
})()
const since = () => {
  const figures = { 'others waited, at most': ms(waitedMs), 'memory, at most': mib(memory) }
  waitedMs = 0
  return figures
}
const post = async (path: string, type: string, body: Buffer | string, method = 'POST') => {
  const answer = await fetch(demo.url + path, {
    method,
    headers: { 'content-type': type, cookie, authorization: path === '/api/events' ? `Bearer ${demo.apiKey}` : '' },
    body: typeof body === 'string' ? body : new Uint8Array(body),
  })
  await answer.text()
  return answer.status
}
since()
const packs = await each(
  hostilePacks,
  ({ name }) => name,
  async ({ bytes }) => (await post('/api/packs', 'application/zip', await bytes())) === 422,
)
measured.push({ what: 'packs', figures: { ...packs, ...since() } })
let broken = 0
const bodies = routesWithBodies(demo)
  .filter(({ path }) => path !== '/api/session')
  .flatMap(({ method, path }) => oddBodies.map((body) => ({ method, path, body })))
const answered = await each(
  bodies,
  ({ method, path, body }) => `${method} ${path} ${body.slice(0, 20)}`,
  async ({ method, path, body }) => {
    const status = await post(
      path,
      path === '/api/events' ? 'application/cloudevents+json' : 'application/json',
      body,
      method,
    )
    if (status >= 500) broken += 1
    return status >= 400 && status < 500
  },
)
measured.push({
  what: `bodies on ${new Set(bodies.map(({ path }) => path)).size} routes`,
  figures: { ...answered, broken, ...since() },
})
isOver = true
await bystander
await server.remove()
report('hostile', measured)
process.exit(0)
