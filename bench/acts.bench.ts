// From what a moderator does until it is seen: hold until every desk says so, skip until the source goes dark, silence until the source
// is told; beside it, in the same run, a request of the same server that does nothing.
import WebSocket from 'ws'
import type { ChannelLive } from '../contract/channelLive.ts'
import { LiveFollower } from '../app/live/liveFollower.ts'
import { cookieOf, TestServer } from '../test/arrange/server.ts'
import { followLive } from './followLive.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const runs = 150
const server = await TestServer.start()
const { demo } = server
const cookie = await cookieOf(demo)
const [box] = demo.boxes
const boxId = box?.id ?? ''

const ask = (method: string, path: string, body?: object) =>
  fetch(demo.url + path, {
    method,
    headers: { cookie, origin: demo.url, 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  }).then(async (answer) => ({ status: answer.status, text: await answer.text() }))

/** What is waited for, by what has to be so. */
const hopes = new Set<{ holds: (live: ChannelLive) => boolean; done: () => void }>()
let live: ChannelLive | null = null
const follower = new LiveFollower()
const endLive = await followLive(demo, cookie, (message) => {
  live = follower.take(message) ?? live
  for (const hope of hopes)
    if (live && hope.holds(live)) {
      hopes.delete(hope)
      hope.done()
    }
})
const until = (holds: (live: ChannelLive) => boolean) =>
  new Promise<void>((resolve) => {
    if (live && holds(live)) resolve()
    else hopes.add({ holds, done: resolve })
  })
const deskOf = ({ desks }: ChannelLive) => desks.find((desk) => desk.boxId === boxId)

/** A source that is ready at once and shows alerts until it is told to stop. */
const source = new WebSocket(`${box?.sourceUrl.replace(/^http/, 'ws')}/link`)
await new Promise((resolve) => source.once('open', resolve))
const told = {
  start: (_playId: string) => undefined as void,
  stop: () => undefined as void,
  hear: () => undefined as void,
}
const say = (message: object) => source.send(JSON.stringify(message))
source.on('message', (data: Buffer) => {
  const { type, playId, play, sentAtMs } = JSON.parse(data.toString()) as {
    type: string
    playId: string
    sentAtMs: number
    play?: { playId: string }
  }
  if (type === 'prepare') say({ type: 'ready', playId: play?.playId, missing: [] })
  else if (type === 'ping') say({ type: 'pong', sentAtMs })
  else if (type === 'hear') told.hear()
  else if (type === 'start') {
    say({ type: 'started', playId })
    told.start(playId)
  } else if (type === 'stop') {
    told.stop()
    say({ type: 'done', playId })
  }
})
say({ type: 'hello', shownPlayIds: [], sound: 'on', widthPx: 1920, heightPx: 1080 })
await until((each) => (deskOf(each)?.sources.length ?? 0) === 1)

async function timed(act: () => Promise<unknown>, seen: Promise<unknown>): Promise<number> {
  const fromMs = performance.now()
  void act()
  await seen
  return performance.now() - fromMs
}
const took: Record<'held' | 'skipped' | 'silenced' | 'bare', number[]> = {
  held: [],
  skipped: [],
  silenced: [],
  bare: [],
}
for (let run = 0; run < runs; run++) {
  const isHeld = run % 2 === 0
  took.held.push(
    await timed(
      () => ask('PUT', `/api/boxes/${boxId}/held`, { isHeld }),
      until((each) => deskOf(each)?.isHeld === isHeld),
    ),
  )
  took.bare.push(await timed(() => Promise.resolve(), ask('GET', '/api/session')))
  took.silenced.push(
    await timed(
      () => ask('PUT', `/api/boxes/${boxId}/sound`, { isHeard: run % 2 === 1 }),
      new Promise<void>((resolve) => (told.hear = resolve)),
    ),
  )
}
for (let run = 0; run < runs / 3; run++) {
  const started = new Promise<string>((resolve) => (told.start = resolve))
  await ask('POST', `/api/boxes/${boxId}/tests`, { kind: 'follow' })
  const playId = await started
  took.skipped.push(
    await timed(
      () => ask('DELETE', `/api/boxes/${boxId}/plays/${playId}`),
      new Promise<void>((resolve) => (told.stop = resolve)),
    ),
  )
}
await endLive()
source.close()
await server.remove()
const row = (what: string, of: number[]): Measured => ({
  what,
  figures: { p50: ms(percentile(of, 0.5)), p99: ms(percentile(of, 0.99)), runs: of.length },
})
report('acts', [
  row('hold, or let go on: until every desk says so', took.held),
  row('skip: until the source is told to stop', took.skipped),
  row('silence everything: until the source is told', took.silenced),
  row('  peer: a request that does nothing but look who asks', took.bare),
])
process.exit(0)
