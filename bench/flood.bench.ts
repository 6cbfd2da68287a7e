// Five thousand events within ten seconds, while somebody reads the history, holds and skips: how soon each is acknowledged, what
// became of it, and how late the last alert is. Beside it what the same flood would have come to without a policy, by the same step in
// a time of its own: nobody could wait for it.
import WebSocket from 'ws'
import { floodOutcome, type Arrival } from '../core/queue/flood.ts'
import { plainPolicy, readyPolicy, usualPolicy } from '../core/queue/policy.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const events = 5_000
const seconds = 10
const inOne = 25

const server = await TestServer.start()
const { demo } = server
const cookie = await cookieOf(demo)
const pause = (wait: number) => new Promise((resolve) => setTimeout(resolve, Math.max(0, wait)))

/** A source that has everything ready at once and shows it as long as it lasts. */
async function openSource(sourceUrl: string, onPlay: (atMs: number) => void): Promise<WebSocket> {
  const socket = new WebSocket(`${sourceUrl.replace(/^http/, 'ws')}/link`)
  await new Promise((resolve, reject) => socket.once('open', resolve).once('error', reject))
  const lengths = new Map<string, number>()
  const say = (message: object) => socket.send(JSON.stringify(message))
  socket.on('message', (data: Buffer) => {
    const message = JSON.parse(data.toString()) as {
      type: string
      playId: string
      sentAtMs: number
      play: { playId: string; score: { lengthMs: number } }
    }
    if (message.type === 'ping') say({ type: 'pong', sentAtMs: message.sentAtMs })
    else if (message.type === 'prepare') {
      lengths.set(message.play.playId, message.play.score.lengthMs)
      say({ type: 'ready', playId: message.play.playId, missing: [] })
    } else if (message.type === 'start') {
      const { playId } = message
      onPlay(performance.now())
      say({ type: 'started', playId })
      setTimeout(() => say({ type: 'done', playId }), lengths.get(playId) ?? 0)
    } else if (message.type === 'stop') say({ type: 'done', playId: message.playId })
  })
  say({ type: 'hello', shownPlayIds: [], sound: 'on', widthPx: 1920, heightPx: 1080 })
  return socket
}

let lastPlayMs = 0
const sockets = await Promise.all(
  demo.boxes.map(({ sourceUrl }, at) => openSource(sourceUrl, (atMs) => at === 0 && (lastPlayMs = atMs))),
)

function eventAt(n: number): object {
  const viewer = { id: `v${n % 1_500}`, name: `guest ${n % 1_500}` }
  const of = (kind: string, data: object) => ({
    ...{ specversion: '1.0', id: `flood-${n}`, source: 'bench', type: `thundercrest.event.${kind}.v1` },
    data: { viewer, ...data },
  })
  if (n % 500 === 3) return of('raid', { partySize: 40 })
  if (n % 50 === 7) return of('tip', { amountMinor: 500, currency: 'EUR', message: { text: 'for the oven' } })
  if (n % 20 === 5) return of('tip', { amountMinor: 300, currency: 'EUR' })
  return n % 100 === 9 ? of('giftBatch', { tier: 1, count: 5, groupId: `g${n}` }) : of('follow', {})
}

const [box] = demo.boxes
const act = async (method: string, path: string, body?: object) => {
  const fromMs = performance.now()
  const answer = await fetch(demo.url + path, {
    method,
    headers: { cookie, origin: demo.url, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  })
  await answer.text()
  return performance.now() - fromMs
}
const took: Record<'acknowledged' | 'acts' | 'pages', number[]> = { acknowledged: [], acts: [], pages: [] }

const startMs = performance.now()
const sending: Promise<void>[] = []
let isHeld = false
for (let sent = 0; sent < events; sent += inOne) {
  const batch = Array.from({ length: inOne }, (_, at) => eventAt(sent + at))
  const fromMs = performance.now()
  sending.push(
    fetch(`${demo.url}/api/events`, {
      method: 'POST',
      headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents-batch+json' },
      body: JSON.stringify(batch),
    }).then(async (answer) => {
      if (answer.status !== 202) throw new Error(`answered with ${answer.status}: ${await answer.text()}`)
      took.acknowledged.push(performance.now() - fromMs)
    }),
  )
  // A moderator at work.
  if ((sent / inOne) % 20 === 10) {
    isHeld = !isHeld
    sending.push(act('PUT', `/api/boxes/${box?.id}/held`, { isHeld }).then((each) => void took.acts.push(each)))
  }
  if ((sent / inOne) % 10 === 5)
    sending.push(act('GET', '/api/history?limit=100&words=guest').then((each) => void took.pages.push(each)))
  await pause(startMs + ((sent + inOne) / events) * seconds * 1000 - performance.now())
}
await Promise.all(sending)
const lastEventMs = performance.now()
if (isHeld) await act('PUT', `/api/boxes/${box?.id}/held`, { isHeld: false })

/** What became of them in all boxes; null while something waits or plays. */
async function outcomes(): Promise<Record<string, number> | null> {
  const { broadcasts } = (await (await fetch(`${demo.url}/api/broadcasts`, { headers: { cookie } })).json()) as {
    broadcasts: { id: string }[]
  }
  const { report: told } = (await (
    await fetch(`${demo.url}/api/broadcasts/${broadcasts[0]?.id}`, { headers: { cookie } })
  ).json()) as { report: { outcomes: { outcome: string; count: number }[]; waits: unknown } }
  const open = (await (await fetch(`${demo.url}/metrics`)).text()).match(/^thundercrest_\w*waiting\w* (\d+)/m)?.[1]
  return open === undefined || open === '0'
    ? Object.fromEntries(told.outcomes.map(({ outcome, count }) => [outcome, count]))
    : null
}
// Quiet is when nothing has begun for longer than any alert lasts.
while (performance.now() - Math.max(lastPlayMs, lastEventMs) < 25_000) await pause(1_000)
const became = await outcomes()
const { arrivals } = (await (
  await fetch(`${demo.url}/api/boxes/${box?.id}/flood`, { headers: { cookie } })
).json()) as { arrivals: Arrival[] }
const fromMs = arrivals[0]?.atMs ?? 0
const lateOf = (policy: Parameters<typeof floodOutcome>[1]) => {
  const { calmAtMs } = floodOutcome(arrivals, policy)
  return `${Math.round((calmAtMs - (arrivals.at(-1)?.atMs ?? fromMs)) / 1000).toLocaleString('en')} s`
}
const measured: Measured[] = [
  {
    what: `${events.toLocaleString('en')} events in ${seconds} s, ${inOne} at once: acknowledged`,
    figures: { p50: ms(percentile(took.acknowledged, 0.5)), p99: ms(percentile(took.acknowledged, 0.99)) },
  },
  {
    what: 'meanwhile: hold, and let go on',
    figures: { p50: ms(percentile(took.acts, 0.5)), p99: ms(percentile(took.acts, 0.99)) },
  },
  {
    what: 'meanwhile: a page of the history, by a word',
    figures: { p50: ms(percentile(took.pages, 0.5)), p99: ms(percentile(took.pages, 0.99)) },
  },
  {
    what: 'the last alert began, after the last event',
    figures: { p50: ms(lastPlayMs - lastEventMs) },
  },
  {
    what: 'the same flood by the usual policy, simulated: over after',
    figures: { p50: lateOf(readyPolicy(usualPolicy)) },
  },
  { what: '  peer: without a policy, simulated: over after', figures: { p50: lateOf(plainPolicy) } },
  {
    what: 'what became of them, of both boxes together',
    figures: {
      p50: Object.entries(became ?? {})
        .map(([outcome, count]) => `${outcome} ${count}`)
        .join(', '),
    },
  },
]
for (const socket of sockets) socket.close()
await server.remove()
report('flood', measured, [
  'The demo with its two boxes, each with a source that shows everything as long as it lasts.',
])
process.exit(0)
