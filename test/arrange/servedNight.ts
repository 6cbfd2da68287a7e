import pino from 'pino'
import { sql } from 'drizzle-orm'
import { vi } from 'vitest'
import type { BoxDocument } from '../../core/composition/box.ts'
import type { Night } from '../../core/rehearsal/night.ts'
import { laneOfChannel } from '../../core/response/lane.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { CallSettings } from '../../core/triggers/settings.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import type { ToStudio } from '../../contract/studioLink.ts'
import type { Database } from '../../server/db/handle.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { publishVersion } from '../../server/db/queries/boxes.ts'
import { addTrigger } from '../../server/db/queries/triggers.ts'
import { decideEvents } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { Clock } from '../../server/system/clock.ts'
import { ChannelCalls } from '../../server/triggers/channelCalls.ts'
import { bakeryStudio, obey, scenesOf } from '../../stand-ins/studio/studioScene.ts'
import { addOneBox, serveBox } from './boxServer.ts'

const channelId = 'counter'
/** So long a source takes to have a play ready, as in a rehearsal. */
const readyMs = 120

/** The channel that a night is sent to. */
export interface ServedChannel {
  boxId: string
  document: BoxDocument
  triggers: readonly Trigger[]
  settings: CallSettings | null
}

/** A server that carries out one box and what viewers set off, with a source that shows everything and a studio that obeys. */
async function served(db: Database, { boxId, document, triggers, settings }: ServedChannel, streamMs: number) {
  await addOneBox(db, { channelId, boxId, personId: 'person', draft: document })
  if (settings) await db.execute(sql`update channel set calls = ${JSON.stringify(settings)}::jsonb`)
  for (const each of triggers) await addTrigger(db, channelId, each)
  await publishVersion(db, {
    ...{ id: 'version', boxId, number: 1, document, publishedAt: new Date(), publishedBy: 'person' },
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
  let calls: ChannelCalls | null = null
  const server = await serveBox(db, { channelId, boxId }, hear, {
    voice,
    onPlay: (playId, is, reason) => calls?.played(playId, is, reason),
  })
  server.runtime().input({ type: 'sourceJoined', sourceId: 'stage', shownPlayIds: [] })

  const hold = server.holdOf(laneOfChannel(channelId))
  if (!hold || triggers.length === 0) return { ...server, prepared, calls: null, saidByStudio: () => Promise.resolve() }
  let studio = bakeryStudio()
  let said: Promise<unknown> = Promise.resolve()
  const saysOfStudio = (message: ToStudio) => {
    if (message.type !== 'order') return
    const obeyed = obey(studio, message.order)
    if (obeyed.ok) studio = obeyed.state
    const fault = obeyed.ok ? null : obeyed.message
    said = said.then(async () => {
      await calls?.act({ do: 'studioSaid', linkId: 'l', said: { type: 'shows', shows: scenesOf(studio) } })
      await calls?.act({ do: 'studioSaid', linkId: 'l', said: { type: 'answered', number: message.number, fault } })
    })
  }
  calls = await ChannelCalls.open(channelId, hold, {
    ...{ db, logger: pino({ level: 'silent' }), clock: new Clock() },
    onAir: (id) => server.onAir.read(id),
    streamMs: async () => streamMs,
    say: async () => '',
    settleRedemption: async () => undefined,
    blocked: async (inputs) => inputs.map(() => false),
    toStudio: (_channelId, message) => saysOfStudio(message),
    noteTrouble: () => false,
    onLaneLost: () => undefined,
    onChange: () => undefined,
    add: (_boxId, ticket) => server.runtime().input({ type: 'enqueued', tickets: [ticket] }),
    takeUp: async () => undefined,
    skip: () => undefined,
    show: async () => Promise.reject(new Error('nothing sounds beside')),
    toSources: () => 1,
    post: async () => '',
  })
  const shows = scenesOf(studio)
  await calls.act({ do: 'studioSaid', linkId: 'l', said: { type: 'linked', name: 'Simulated studio', shows } })
  return { ...server, prepared, calls, saidByStudio: () => said }
}

/** What became of an event in the box itself. Moments in milliseconds. */
export interface ServedOutcome {
  id: string
  outcome: string
  startedMs: number | null
  into: string | null
}
/** What became of somebody who set a trigger off. */
export interface ServedCall {
  id: string
  triggerId: string
  end: string
  reason: string
  startedMs: number | null
  /** When its alerts began, in their order. */
  playsMs: (number | null)[]
}

/** Whether what somebody set off still goes on. */
const hasOpenRuns = async (db: Database) =>
  rowsOf(await db.execute(sql`select 1 from run where progress <> 'over' limit 1`)).length > 0

const msOf = (at: string | null) => (at === null ? null : new Date(at).getTime())

/**
 * Sends a night through a server, at the moments at which it happens, without waiting for them. Needs timers that are the test's
 * own (`setTimeout`, `Date`, `performance`).
 */
export async function throughServer(
  db: Database,
  night: Night,
  channel: ServedChannel,
): Promise<{ outcomes: ServedOutcome[]; calls: ServedCall[] }> {
  const { onAir, queues, runtime, prepared, calls, saidByStudio } = await served(db, channel, night.fromMs)
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
        calls?.wake()
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
      await calls?.settled()
      await saidByStudio()
      const { current } = runtime().state
      const isPreparing = current?.phase === 'preparing' && !prepared.has(current.ticket.playId)
      if (underWay === 0 && !isPreparing) break
    }
    await turn()
  }
  for (;;) {
    await settle()
    const { line, current } = runtime().state
    const isOver = arrived === night.events.length && line.size === 0 && current === null
    if (isOver && !(calls && (await hasOpenRuns(db)))) break
    await vi.advanceTimersToNextTimerAsync()
  }
  await runtime().settled()
  await calls?.settled()
  queues.close()
  const outcomes = rowsOf<{ external_id: string; outcome: string; started: string | null; into: string | null }>(
    await db.execute(sql`
      select event.external_id, effect.outcome, play.started_at as started, head.external_id as into
      from event join effect on effect.event_id = event.id left join play on play.id = effect.id
      left join play shared on shared.id = play.merged_into left join event head on head.id = shared.event_id
      where not effect.is_again`),
  )
  const runs = rowsOf<{
    external_id: string
    trigger_id: string
    end: string
    reason: string
    started: string | null
    plays: (string | null)[] | null
  }>(
    await db.execute(sql`
      select event.external_id, run.trigger_id, run."end", run.reason, run.started_at as started,
        (select json_agg(play.started_at order by play.id) from play
          where play.id like 'play-' || substr(run.id, 5) || '-%') as plays
      from run join event on event.id = run.event_id order by run.seq`),
  )
  return {
    outcomes: outcomes.map(({ external_id: id, outcome, started, into }) => ({
      ...{ id, outcome, into },
      startedMs: msOf(started),
    })),
    calls: runs.map(({ external_id: id, trigger_id: triggerId, end, reason, started, plays }) => ({
      ...{ id, triggerId, end, reason, startedMs: msOf(started) },
      playsMs: (plays ?? []).map(msOf),
    })),
  }
}
