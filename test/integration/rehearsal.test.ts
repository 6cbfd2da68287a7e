import { sql } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { readyPolicy, type BoxPolicy } from '../../core/queue/policy.ts'
import { decideNight, lengthsOf, playIdOf } from '../../core/rehearsal/decideNight.ts'
import { makeNight } from '../../core/rehearsal/makeNight.ts'
import { nightOf, type Night } from '../../core/rehearsal/night.ts'
import { playNight } from '../../core/rehearsal/playNight.ts'
import { longQueue } from '../../core/rehearsal/readyNights.ts'
import { demoBoxes } from '../../demo/scenario.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import type { Database } from '../../server/db/handle.ts'
import { migrate } from '../../server/db/migrate.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { publishVersion } from '../../server/db/queries/boxes.ts'
import { decideEvents } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { addOneBox, serveBox } from '../arrange/boxServer.ts'
import { databases } from '../arrange/databases.ts'
import { readMigrations } from '../arrange/migrations.ts'

const channelId = 'counter'
const boxId = 'box'
const beginMs = Date.UTC(2026, 10, 24, 22)
const document = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
/** So long a source takes to have a play ready, as in a rehearsal. */
const readyMs = 120

/** A server that carries out one box, with a source that shows everything; its time is that of the test. */
async function served(db: Database, policy: BoxPolicy) {
  const draft = { ...document, policy }
  await addOneBox(db, { channelId, boxId, personId: 'person', draft })
  await publishVersion(db, {
    ...{ id: 'version', boxId, number: 1, document: draft, publishedAt: new Date(), publishedBy: 'person' },
  })
  const timers = new Map<string, ReturnType<typeof setTimeout>>()
  /** Prepares that were asked for and have gone out. */
  const prepared = new Set<string>()
  const tell = (playId: string, progress: 'ready' | 'started' | 'done') =>
    server.runtime().input({ type: 'sourceProgress', sourceId: 'stage', playId, progress })
  const later = (playId: string, progress: 'ready' | 'done', ms: number) =>
    timers.set(
      playId,
      setTimeout(() => tell(playId, progress), ms),
    )
  const hear = (message: ToSource) => {
    if (message.type === 'prepare') {
      prepared.add(message.play.playId)
      later(message.play.playId, 'ready', readyMs)
    } else if (message.type === 'start') {
      const lengthMs = server.runtime().state.current?.ticket.lengthMs ?? 0
      tell(message.playId, 'started')
      later(message.playId, 'done', lengthMs)
    } else if (message.type === 'stop') clearTimeout(timers.get(message.playId))
  }
  // Nobody speaks: how long a voice takes no rehearsal knows.
  const voice = () => Promise.resolve({ speech: { sayings: [], state: 'ready', note: null }, spoken: {} })
  const server = await serveBox(db, { channelId, boxId }, hear, { voice })
  server.runtime().input({ type: 'sourceJoined', sourceId: 'stage', shownPlayIds: [] })
  return { ...server, prepared }
}

/** Sends a night through the server, at the moments at which it happens, without waiting for them. */
async function through(db: Database, night: Night, policy: BoxPolicy) {
  const { onAir, queues, runtime, prepared } = await served(db, policy)
  let underWay = 0
  let arrived = 0
  for (const { event, atMs } of night.events) {
    const { occurredAtMs, ...of } = event
    setTimeout(() => {
      underWay += 1
      void (async () => {
        const decided = decideEvents({
          ...{ channelId, onlyBoxId: null, feed: null, previous: [], pretended: null, nowMs: atMs },
          incoming: [{ ...of, occurredAtMs, isTest: false }],
          onAir: await onAir.read(channelId),
        })
        const [kept] = await keepDecided(db, [decided])
        queues.enqueue(kept?.plays ?? [])
        underWay -= 1
        arrived += 1
      })()
    }, atMs - Date.now())
  }
  const turn = () => new Promise<void>((resolve) => setImmediate(resolve))
  /** Until nothing is under way any more: the clock stands still meanwhile. */
  const settle = async () => {
    for (;;) {
      await turn()
      const { current } = runtime().state
      const isPreparing = current?.phase === 'preparing' && !prepared.has(current.ticket.playId)
      if (underWay === 0 && !isPreparing) break
    }
    await turn()
  }
  for (;;) {
    await settle()
    const { line, current } = runtime().state
    if (arrived === night.events.length && line.size === 0 && current === null) break
    await vi.advanceTimersToNextTimerAsync()
  }
  await runtime().settled()
  queues.close()
  return rowsOf<{ external_id: string; outcome: string; started: string | null; into: string | null }>(
    await db.execute(sql`
      select event.external_id, effect.outcome, play.started_at as started, head.external_id as into
      from event join effect on effect.event_id = event.id left join play on play.id = effect.id
      left join play shared on shared.id = play.merged_into left join event head on head.id = shared.event_id`),
  )
}

describe('a rehearsal', () => {
  beforeEach(
    () =>
      void vi.useFakeTimers({
        now: beginMs - 1_000,
        toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date', 'performance'],
      }),
  )
  afterEach(() => void vi.useRealTimers())

  it.each<[string, BoxPolicy]>([
    ['as the box is', document.policy],
    [
      'pressed',
      [
        { rule: 'gap', isOn: true, ms: 1_500 },
        { rule: 'order', isOn: true, of: [{ kind: 'raid', from: null }], steps: 2 },
        { rule: 'merge', isOn: true, kinds: ['follow', 'tip'], withinMs: 30_000, below: 1_000, isEvenWritten: false },
        { rule: 'elastic', isOn: true, waiting: 3, lastMs: null },
        { rule: 'airtime', isOn: true, percent: 40 },
        { rule: 'age', isOn: true, kinds: null, ms: 60_000 },
        { rule: 'room', isOn: true, atMost: 40 },
      ],
    ],
  ])(
    'is what the server does with the same night, event by event: %s',
    async (_name, policy) => {
      const place = { beginMs, currency: 'EUR', sources: ['feed:alder', 'feed:cedar'] }
      const night = nightOf(makeNight(longQueue(place)).map((event) => ({ event, atMs: event.occurredAtMs })))
      const { handle, clean } = await databases[0]!.open()
      await migrate(handle, readMigrations())
      const real = await through(handle.db, night, policy)
      const onAir = await new OnAirCache(handle.db).read(channelId)
      const decided = decideNight(night, onAir, onAir.boxes[0]!)
      const { ends, shown } = playNight(decided, readyPolicy(policy), {
        timeZone: 'UTC',
        lengthOf: lengthsOf(night, onAir, onAir.boxes[0]!.version!.document),
      })
      const idOf = (playId: string | undefined) =>
        night.events.find((_each, at) => playIdOf(at) === playId)?.event.externalId ?? null
      const rehearsed = decided.map(({ at, settled }) => {
        const end = ends.get(playIdOf(at))
        return [
          night.events[at]?.event.externalId,
          end?.outcome ?? settled?.outcome,
          shown.get(playIdOf(at))?.fromMs ?? null,
          idOf(end?.into),
        ]
      })
      const served = new Map(
        real.map(({ external_id: id, outcome, started, into }) => [
          id,
          [id, outcome, started === null ? null : new Date(started).getTime(), into],
        ]),
      )
      expect(real).toHaveLength(904)
      expect(night.events.map(({ event }) => served.get(event.externalId))).toEqual(rehearsed)
      await clean()
    },
    240_000,
  )
})
