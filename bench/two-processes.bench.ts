// Signed deliveries per second into one and into two processes on one PostgreSQL, each of which has two processors at most.
import { LightSender } from '../test/arrange/lightSender.ts'
import { startPostgres } from '../test/arrange/postgres.ts'
import { TestServer } from '../test/arrange/server.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const seconds = 10
const senders = 32

/** Senders in turn at each of the servers. */
async function deliver(servers: readonly TestServer[], forSeconds: number) {
  const startedMs = performance.now()
  const took: number[] = []
  let refused = 0
  await Promise.all(
    Array.from({ length: senders }, async (_, index) => {
      const server = servers[index % servers.length]
      if (!server) return
      const sender = new LightSender(server.demo)
      while (performance.now() - startedMs < forSeconds * 1000) {
        const fromMs = performance.now()
        if ((await sender.send(1)) !== 202) refused += 1
        took.push(performance.now() - fromMs)
      }
      sender.close()
    }),
  )
  return { perSecond: (took.length * 1000) / (performance.now() - startedMs), took, refused }
}

const measured: Measured[] = []
const add = (what: string, { perSecond, took, refused }: Awaited<ReturnType<typeof deliver>>) =>
  measured.push({
    what,
    figures: {
      'deliveries / s': perSecond.toFixed(0),
      p50: ms(percentile(took, 0.5)),
      p99: ms(percentile(took, 0.99)),
      refused: String(refused),
    },
  })

const postgres = await startPostgres()
const first = await TestServer.start({ THUNDERCREST_DEMO: '1', DATABASE_URL: postgres.url })
await deliver([first], 4)
add('one process, 32 senders', await deliver([first], seconds))
const second = await first.beside()
await deliver([first, second], 4)
add('two processes, 32 senders, half of them at each', await deliver([first, second], seconds))
add('two processes, all senders at the one that does not carry out the lines', await deliver([second], seconds))
await second.end('SIGTERM')
await first.remove()
await postgres.stop()
report('two-processes', measured, [
  'Both processes, PostgreSQL and the senders share two processors: what a second process adds on a machine of its own is not to be seen here.',
])
process.exit(0)
