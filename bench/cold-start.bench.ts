// From starting the built server with the demo to its first 200, beside a Node server that does nothing.
import { spawn } from 'node:child_process'
import { TestServer } from '../test/arrange/server.ts'
import { freePort } from '../test/arrange/postgres.ts'
import { ms, percentile, report } from './report.ts'

const rounds = 5

async function timed(work: () => Promise<unknown>): Promise<number> {
  const startedMs = performance.now()
  await work()
  return performance.now() - startedMs
}

async function bareNode(): Promise<void> {
  const port = await freePort()
  const child = spawn(process.execPath, [
    '-e',
    `require('http').createServer((q, r) => r.end('ok')).listen(${port}, '127.0.0.1')`,
  ])
  while (
    !(await fetch(`http://127.0.0.1:${port}/`).then(
      (answer) => answer.ok,
      () => false,
    ))
  )
    await new Promise((resolve) => setTimeout(resolve, 20))
  child.kill()
}

const fresh: number[] = []
const again: number[] = []
const bare: number[] = []
for (let round = 0; round < rounds; round++) {
  let server: TestServer | undefined
  fresh.push(await timed(async () => (server = await TestServer.start())))
  await server?.end('SIGTERM')
  again.push(await timed(async () => server?.run()))
  await server?.remove()
  bare.push(await timed(bareNode))
}
const figures = (samples: readonly number[]) => ({
  median: ms(percentile(samples, 0.5)),
  slowest: ms(Math.max(...samples)),
})
report('cold-start', [
  { what: 'an empty folder: database, demo data, ready', figures: figures(fresh) },
  { what: 'the same folder again', figures: figures(again) },
  { what: 'a bare Node server', figures: figures(bare) },
])
process.exit(0)
