// From a line in the chat to `start` at a source, beside a bare broadcast of the same message; and what a flood of commands costs.
import { fork } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { openGate } from '../core/gate/schema.ts'
import { newTrigger } from '../core/triggers/schema.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { openReadySource } from './readySource.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const rounds = 60
const warmUps = 3
/** The queue keeps its gap between two plays. */
const pauseMs = 1_300
const floodPerSecond = 1_000
const floodSeconds = 10
const inOne = 100

const pause = (waitMs: number) => new Promise((resolve) => setTimeout(resolve, Math.max(0, waitMs)))
const server = await TestServer.start()
const { demo } = server
const cookie = await cookieOf(demo)
const boxId = demo.boxes[0]?.id ?? ''

async function ask<T>(method: string, path: string, body?: object): Promise<T> {
  const answer = await fetch(`${demo.url}${path}`, {
    method,
    headers: { cookie, origin: demo.url, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  })
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`)
  return (await answer.json()) as T
}

/** A trigger of its own that a word sets off, for anybody. */
async function addTrigger(word: string, againMs: number, sheet: object): Promise<string> {
  const { id } = await ask<{ id: string }>('POST', '/api/triggers', { name: word })
  const gate = { ...openGate, againAfter: { allMs: againMs, viewerMs: 0 } }
  const starts = [{ by: 'command', word, aliases: [] }]
  const trigger = { ...newTrigger(id, word), isArmed: true, starts, gate, sheet, again: 'together' }
  await ask('PUT', `/api/triggers/${id}`, { trigger, revision: 0 })
  return id
}
const play = { do: 'play', boxId, alertId: 'redemption', variationId: 'redemption-bell', isBeside: false }
const sound = { do: 'play', boxId, alertId: 'redemption', variationId: 'redemption-bell', isBeside: true }

/** Does `send` again and again; how long until the source was reached, each time. */
async function measure(address: string, send: () => Promise<unknown>, waitMs: number): Promise<number[]> {
  let heard = (_atMs: number): void => {}
  const socket = await openReadySource(address, (atMs) => heard(atMs))
  // What waited while nobody was there is shown first.
  await pause(3_000)
  const reached: number[] = []
  for (let round = -warmUps; round < rounds; round++) {
    const at = new Promise<number>((resolve) => (heard = resolve))
    const sentMs = performance.now()
    await Promise.all([send(), at.then((atMs) => round >= 0 && reached.push(atMs - sentMs))])
    await pause(waitMs)
  }
  socket.terminate()
  return reached
}

const figures = (samples: readonly number[]) => ({
  p50: ms(percentile(samples, 0.5)),
  p99: ms(percentile(samples, 0.99)),
})
const chatPath = `/stand-ins/rooms/${demo.feeds.find(({ platform }) => platform === 'alder')?.id ?? ''}/say`
const say = (text: string) => ask('POST', chatPath, { viewer: { id: 'sim-pip_rye', name: 'pip_rye', roles: [] }, text })
const measured: Measured[] = []
await addTrigger('benchbell', 0, { do: 'inTurn', of: [play] })
await addTrigger('benchsound', 0, { do: 'inTurn', of: [sound] })
const boxAddress = `${(demo.boxes[0]?.sourceUrl ?? '').replace('http', 'ws')}/link`

const inLine = await measure(boxAddress, () => say('!benchbell'), pauseMs)
measured.push({ what: 'a line in the chat → start at the source', figures: figures(inLine) })
const beside = await measure(boxAddress, () => say('!benchsound'), pauseMs)
measured.push({ what: 'a line in the chat → heard beside what plays', figures: figures(beside) })

const bare = fork(fileURLToPath(new URL('./bareBroadcast.ts', import.meta.url)), { execArgv: ['--import', 'tsx'] })
const barePort = await new Promise<number>((resolve) => bare.once('message', (message) => resolve(Number(message))))
const sample = JSON.stringify({ type: 'start', playId: 'play-1m8904hxv5qphjjc7thh', offsetMs: 0 })
const peer = await measure(
  `ws://127.0.0.1:${barePort}/`,
  () => fetch(`http://127.0.0.1:${barePort}/`, { method: 'POST', body: sample }).then((answer) => answer.text()),
  100,
)
bare.kill()
measured.push({ what: '  peer: a bare broadcast, sent → message', figures: figures(peer) })

// A flood, from many viewers, at a gate that lets one a second through.
const flooded = await addTrigger('benchflood', 1_000, {
  do: 'inTurn',
  of: [{ do: 'counter', counter: 'floods', change: 1 }],
})
const accepted: number[] = []
let refused = 0
const sendBatch = async (from: number) => {
  const batch = Array.from({ length: inOne }, (_, at) => ({
    ...{ specversion: '1.0', id: `flood-${from + at}`, source: 'bench', type: 'thundercrest.event.chatCommand.v1' },
    data: {
      viewer: { id: `v-${(from + at) % 5_000}`, name: '<b>毛毛</b> نورا' },
      command: '!benchflood',
      arguments: '<i>x',
    },
  }))
  const sentMs = performance.now()
  const answer = await fetch(`${demo.url}/api/events`, {
    method: 'POST',
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents-batch+json' },
    body: JSON.stringify(batch),
  })
  if (answer.status === 202) accepted.push(performance.now() - sentMs)
  else refused += inOne
  await answer.arrayBuffer()
}
const memoryMiB = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid ?? 0}/status`, 'utf8'))?.[1] ?? NaN) / 1024
const startedMs = performance.now()
const sending: Promise<unknown>[] = []
for (let sent = 0; sent < floodPerSecond * floodSeconds; sent += inOne) {
  sending.push(sendBatch(sent))
  await pause(startedMs + ((sent + inOne) * 1000) / floodPerSecond - performance.now())
}
await Promise.all(sending)
const sentMs = performance.now() - startedMs
const memory = memoryMiB()
/** How many runs there are of it that are not over: what the desk shows as asked and not answered. */
async function areOver(): Promise<boolean> {
  const { runs } = await ask<{ runs: { triggerId: string; progress: string }[] }>('GET', '/api/runs')
  return runs.filter(({ triggerId }) => triggerId === flooded).every(({ progress }) => progress === 'over')
}
while (!(await areOver())) await pause(100)
const settledMs = performance.now() - startedMs
// Whoever asks afterwards is answered as before.
const after = await measure(boxAddress, () => say('!benchbell'), pauseMs)
measured.push(
  {
    what: `a flood: ${floodPerSecond} commands a second for ${floodSeconds} s, accepted in batches of ${inOne}`,
    figures: {
      ...figures(accepted),
      'per second': ((floodPerSecond * floodSeconds - refused) / (sentMs / 1000)).toFixed(0),
    },
  },
  {
    what: 'the flood: all of it decided, after its last was accepted',
    figures: { p50: ms(settledMs - sentMs), 'not accepted': String(refused), memory: `${memory.toFixed(0)} MiB` },
  },
  { what: 'a line in the chat → start, behind the flood', figures: figures(after) },
)
await server.remove()
report('command', measured, [`${rounds} rounds each, one at a time; embedded database.`])
process.exit(0)
