// From a signed delivery to `start` at every connected source, beside a bare WebSocket broadcast of the same message.
import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import type WebSocket from 'ws'
import { deliverNotices, followNotice } from '../test/arrange/cedar.ts'
import { TestServer } from '../test/arrange/server.ts'
import { openReadySource } from './readySource.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const rounds = 30
/** A box takes no more; what is beyond goes to the next one, which plays the same. */
const perBox = 500
const asked = process.argv.find((argument) => argument.startsWith('--sources='))
const counts = asked ? [Number(asked.split('=')[1])] : [1, 50, 200, 1000]

/** The server refuses more than a hundred pages of one machine that have not said who they are. */
const atOnce = 50

/** Sources that are ready at once, and done at once: what is measured is the way there, not the loading. */
async function openSources(
  addresses: readonly string[],
  count: number,
  onStart: (atMs: number) => void,
  areIn: (count: number) => Promise<unknown>,
): Promise<() => void> {
  const sockets: WebSocket[] = []
  const open = async (index: number) => {
    const address = addresses[Math.floor(index / perBox) % addresses.length] ?? ''
    const socket = await openReadySource(address, onStart)
    sockets.push(socket)
  }
  while (sockets.length < count) {
    const from = sockets.length
    await Promise.all(Array.from({ length: Math.min(atOnce, count - from) }, (_, index) => open(from + index)))
    await areIn(sockets.length)
  }
  await new Promise((resolve) => setTimeout(resolve, 300))
  return () => sockets.forEach((socket) => socket.terminate())
}

/** Does `send` again and again; collects when each of `count` sources was reached, from the sending. */
async function measure(
  count: number,
  send: () => Promise<unknown>,
  open: (onStart: (atMs: number) => void) => Promise<() => void>,
  pauseMs: number,
) {
  const reached: number[] = []
  const answered: number[] = []
  const afterAnswer: number[] = []
  let arrivals: number[] = []
  let onAll = () => {}
  const close = await open((atMs) => {
    arrivals.push(atMs)
    if (arrivals.length === count) onAll()
  })
  // A box that was without sources shows them first what waited meanwhile.
  for (let seen = -1; seen !== arrivals.length;) {
    seen = arrivals.length
    await new Promise((resolve) => setTimeout(resolve, 2 * pauseMs))
  }
  for (let round = 0; round < rounds; round++) {
    arrivals = []
    const all = new Promise<void>((resolve) => (onAll = resolve))
    const sentMs = performance.now()
    await send()
    const answeredMs = performance.now()
    await all
    answered.push(answeredMs - sentMs)
    for (const arrival of arrivals) {
      reached.push(arrival - sentMs)
      afterAnswer.push(arrival - answeredMs)
    }
    await new Promise((resolve) => setTimeout(resolve, pauseMs))
  }
  close()
  return { reached, answered, afterAnswer }
}

/** Waits until the server has heard who they all are. */
async function areConnected(count: number): Promise<void> {
  for (;;) {
    const text = await (await fetch(`${demo.url}/metrics`)).text()
    if (Number(/^thundercrest_sources_connected (\d+)/m.exec(text)?.[1]) >= count) return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
}

const figures = (samples: readonly number[]) => ({
  p50: ms(percentile(samples, 0.5)),
  p99: ms(percentile(samples, 0.99)),
})
const measured: Measured[] = []
const server = await TestServer.start()
const { demo } = server
const boxUrls = demo.boxes.map(({ sourceUrl }) => `${sourceUrl.replace('http', 'ws')}/link`)
const bare = fork(fileURLToPath(new URL('./bareBroadcast.ts', import.meta.url)), { execArgv: ['--import', 'tsx'] })
const barePort = await new Promise<number>((resolve) => bare.once('message', (message) => resolve(Number(message))))
const sample = JSON.stringify({ type: 'start', playId: 'play-1m8904hxv5qphjjc7thh', offsetMs: 0 })

for (const count of counts) {
  const ours = await measure(
    count,
    () => deliverNotices(demo, followNotice('pip_rye')),
    (onStart) => openSources(boxUrls, count, onStart, areConnected),
    // The queue keeps its gap between two plays.
    900,
  )
  const peer = await measure(
    count,
    () => fetch(`http://127.0.0.1:${barePort}/`, { method: 'POST', body: sample }).then((answer) => answer.text()),
    (onStart) => openSources([`ws://127.0.0.1:${barePort}/`], count, onStart, async () => {}),
    300,
  )
  const ratio = percentile(ours.afterAnswer, 0.99) / percentile(peer.reached, 0.99)
  measured.push(
    { what: `${count} sources: delivery sent → start`, figures: figures(ours.reached) },
    { what: `${count} sources: of which until the 202 (durable)`, figures: figures(ours.answered) },
    {
      what: `${count} sources: accepted (202) → start`,
      figures: { ...figures(ours.afterAnswer), 'p99 / bare p99': ratio.toFixed(2) },
    },
    { what: `${count} sources: bare broadcast, sent → message`, figures: figures(peer.reached) },
  )
}
bare.kill()
await server.remove()
report('fanout', measured, [
  `${rounds} rounds each; start comes after a whole round trip (prepare, ready) that a bare broadcast does not make.`,
])
process.exit(0)
