import { describe, expect, it } from 'vitest'
import { plainPolicy } from '../../core/queue/policy.ts'
import { emptyQueue } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import { step } from '../../core/queue/step.ts'
import { laneViewOf } from '../queue/laneView.ts'
import { ChannelModel } from './channelModel.ts'

/** What is asked for, by a field that only it has. */
const kinds = { plays: 'play', feeds: 'linked', drafts: 'isOnAir' }

/** A database that answers every query with what is written down for its tables, and counts them. */
function tables() {
  const world = { isDown: false, asked: [] as string[], rows: {} as Record<string, unknown[]> }
  const query = (fields: Record<string, unknown>) => {
    const kind = Object.entries(kinds).find(([, field]) => field in fields)?.[0] ?? 'log'
    const chain: unknown = new Proxy(
      {},
      {
        get: (_target, name) => {
          if (name !== 'then') return () => chain
          world.asked.push(kind)
          const answer = world.isDown
            ? Promise.reject(Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' }))
            : Promise.resolve(world.rows[kind] ?? [])
          return answer.then.bind(answer)
        },
      },
    )
    return chain
  }
  return { world, db: { select: query } as never }
}

const playRow = (id: string, outcome: string | null = null) => ({
  play: { id, boxId: 'box', eventId: 'e', variationName: 'Everyday', state: 'waiting', enqueuedAt: new Date(0) },
  effect: { outcome, reason: '', outcomeAt: outcome ? new Date(5) : null },
  event: { id: 'e', kind: 'follow', data: { viewer: { id: 'v', name: 'tallowmoth' } }, occurredAt: new Date(0) },
})

const lineOf = (tickets: readonly Ticket[], of = emptyQueue) =>
  step(of, { type: 'enqueued', tickets }, 0, plainPolicy).state

/** A channel with one box, in whose line two plays wait. */
function arrange() {
  const { world, db } = tables()
  const waiting = ['p2', 'p3'].map((playId) => ({ playId, enqueuedAtMs: 0, lengthMs: 900 }))
  const line = { state: lineOf(waiting) }
  const clock = { nowMs: 10_000 }
  const trouble = { why: null as 'gone' | null, note: () => ((trouble.why = 'gone'), true) }
  const model = new ChannelModel('channel', {
    db,
    clock: { steadyMs: () => clock.nowMs },
    onAir: {
      read: async () => ({ boxes: [{ boxId: 'box' }], boards: [], locale: 'en', speech: { isOn: true } }) as never,
    },
    neighbours: {
      line: () => laneViewOf('box', { state: line.state, policy: plainPolicy, nowMs: 0, wallOf: (atMs) => atMs }),
      sourcesOf: () => [],
    },
    library: { revision: () => 3 },
    calls: async () => ({ armed: 2, runs: [], tasks: [], buttons: [], studio: {} as never }),
    trouble,
  })
  const asked = async () => {
    world.asked = []
    const live = await model.read()
    return { live, asked: world.asked }
  }
  return { world, waiting, line, clock, trouble, model, asked }
}

describe('what is kept at hand of a channel', () => {
  const { world, waiting, line, clock, trouble, model, asked } = arrange()

  it('is nothing while the database never answered', async () => {
    world.isDown = true
    await expect(model.read()).rejects.toThrow()
    world.isDown = false
    trouble.why = null
  })

  it('is read once as a whole, and then asks the database for nothing that it knows', async () => {
    world.rows = {
      plays: ['p2', 'p3', 'p1'].map((id) => playRow(id, id === 'p1' ? 'played' : null)),
      log: [{ id: 'p1' }],
      feeds: [{ linked: 2, last: new Date(77) }],
      drafts: [
        { isOnAir: true, isDifferent: true },
        { isOnAir: false, isDifferent: true },
      ],
    }
    const first = await asked()
    expect(first.asked.sort()).toEqual(['drafts', 'feeds', 'log', 'plays'])
    expect(first.live).toMatchObject({
      ridge: {
        feeds: { linked: 2, lastDeliveryAtMs: 77 },
        boxes: { count: 2, differing: 1, neverOnAir: 1 },
        desk: { waiting: 2, isPlaying: false },
      },
      desks: [{ waiting: [{ id: 'p2', lengthMs: 900 }, { id: 'p3' }], log: [{ id: 'p1', state: 'played' }] }],
    })
    model.note('sources')
    expect((await asked()).asked).toEqual([])
  })

  it('reads a play that ended once more, and none of the others', async () => {
    line.state = lineOf(waiting.slice(1))
    world.rows = { plays: [playRow('p2', 'expired')], log: [{ id: 'p2' }, { id: 'p1' }] }
    model.note('line box')
    const { live, asked: queries } = await asked()
    expect(queries).toEqual(['log', 'plays'])
    expect(live.desks[0]).toMatchObject({
      waiting: [{ id: 'p3' }],
      log: [
        { id: 'p2', state: 'expired' },
        { id: 'p1', state: 'played' },
      ],
    })
  })

  it('looks at feeds once a second and says when it wants to look again', async () => {
    world.rows = { feeds: [{ linked: 2, last: new Date(99) }] }
    model.note('feeds')
    clock.nowMs += 400
    expect((await asked()).live.ridge.feeds.lastDeliveryAtMs).toBe(77)
    expect(model.againAfterMs).toBe(600)
    clock.nowMs += 600
    expect((await asked()).live.ridge.feeds.lastDeliveryAtMs).toBe(99)
    expect(model.againAfterMs).toBeNull()
  })

  it('shows what was known and what the lines know while the database is away, and all of it afterwards', async () => {
    world.isDown = true
    line.state = { ...lineOf([...waiting.slice(1), { ...waiting[0]!, playId: 'p4' }]), isHeld: true }
    model.note('line box')
    expect((await asked()).live).toMatchObject({
      databaseTrouble: 'gone',
      ridge: { desk: { waiting: 2 } },
      desks: [{ waiting: [{ id: 'p3' }], waitingCount: 2, isHeld: true }],
    })
    world.isDown = false
    trouble.why = null
    world.rows = { plays: [playRow('p4')], log: [{ id: 'p2' }, { id: 'p1' }] }
    expect((await asked()).live).toMatchObject({
      databaseTrouble: null,
      desks: [{ waiting: [{ id: 'p3' }, { id: 'p4' }] }],
    })
  })
})

describe('a desk in a flood', () => {
  it('lists less, and once a second, of what rushes by; and all of it again when it comes to rest', async () => {
    const { world, clock, model, asked } = arrange()
    await asked()
    const log = (from: number, count: number) => Array.from({ length: count }, (_, at) => ({ id: `e${from + at}` }))
    const rush = async (afterMs: number, rows: { id: string }[]) => {
      clock.nowMs += afterMs
      world.rows = { log: rows, plays: [...rows.map(({ id }) => playRow(id, 'expired')), playRow('p2'), playRow('p3')] }
      model.note('line box')
      const { live, asked: queries } = await asked()
      return { log: live.desks[0]?.log.map(({ id }) => id), queries }
    }
    expect((await rush(200, log(0, 30))).log).toHaveLength(12)
    const soon = await rush(200, log(100, 20))
    expect(soon).toEqual({ log: log(0, 12).map(({ id }) => id), queries: [] })
    expect(model.againAfterMs).toBe(800)
    expect((await rush(800, log(200, 20))).log?.[0]).toBe('e200')
    const atRest = await rush(1_000, log(200, 60))
    expect(atRest.log).toHaveLength(60)
    expect(model.againAfterMs).toBeNull()
  })
})
