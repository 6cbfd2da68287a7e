import type { Logger } from 'pino'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainPolicy } from '../../core/queue/policy.ts'
import { emptyQueue } from '../../core/queue/state.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { Database } from '../db/handle.ts'
import { Clock } from '../system/clock.ts'
import { BoxRuntime } from './boxRuntime.ts'

const show = (playId: string) =>
  ({ playId, eventId: 'e', variationName: 'Everyday', score: { lengthMs: 3000 } }) as unknown as PlayToShow

function arrange() {
  const sent: { to: readonly string[]; message: ToSource }[] = []
  const writes: unknown[] = []
  const errors: unknown[] = []
  let finishWrite: (() => void) | null = null
  const gate = { isSlow: false, isBroken: false, isSure: true, isRefused: false, isLost: false }
  /** Where it is set, the wall clock stands there; otherwise it goes with the steady one. */
  const wall: { nowMs: number | null } = { nowMs: null }
  const write = async (of: unknown) => {
    if (gate.isSlow) await new Promise<void>((resolve) => (finishWrite = resolve))
    if (gate.isBroken) throw new Error('the disk is full')
    if (!gate.isRefused) writes.push(of)
    return { rows: [{ held: !gate.isRefused }] }
  }
  const db = {
    execute: write,
    update: () => ({ set: (set: unknown) => ({ where: () => write(set) }) }),
  } as unknown as Database
  const clock = new Clock(() => wall.nowMs ?? Date.now())
  const showPlay = vi.fn(async ({ playId }: { playId: string }) => show(playId))
  const runtime = new BoxRuntime('box', { lane: 'box:box', epoch: 1 }, emptyQueue, {
    db,
    logger: { error: (of: unknown) => errors.push(of) } as unknown as Logger,
    clock,
    noteTrouble: (error) => error instanceof Error && error.message === 'the database is away',
    policy: plainPolicy,
    minuteAt: () => 0,
    send: (_boxId, to, message) => void sent.push({ to, message }),
    showPlay,
    isSure: () => gate.isSure,
    onLaneLost: () => void (gate.isLost = true),
    onWithheld: () => undefined,
    onChange: () => undefined,
    onStarted: () => undefined,
    onPlay: () => undefined,
  })
  const enqueue = (playId: string, lengthMs = 3000) =>
    runtime.input({ type: 'enqueued', tickets: [{ playId, enqueuedAtMs: clock.steadyMs(), lengthMs }] })
  const join = (sourceId: string) => runtime.input({ type: 'sourceJoined', sourceId, shownPlayIds: [] })
  const progress = async (sourceId: string, playId: string, reached: 'ready' | 'started' | 'done') => {
    runtime.input({ type: 'sourceProgress', sourceId, playId, progress: reached })
    // What arrives together is looked at together, in the next turn.
    await new Promise((resolve) => setImmediate(resolve))
  }
  return { runtime, wall, sent, writes, errors, gate, finish: () => finishWrite?.(), showPlay, enqueue, join, progress }
}
const kinds = (sent: readonly { message: ToSource }[]) => sent.map(({ message }) => message.type)

describe('BoxRuntime', () => {
  beforeEach(
    () => void vi.useFakeTimers({ now: 1_000_000, toFake: ['setTimeout', 'clearTimeout', 'Date', 'performance'] }),
  )
  afterEach(() => void vi.useRealTimers())
  const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms)

  it('prepares, starts and goes on to the next by itself', async () => {
    const { sent, enqueue, join, progress } = arrange()
    join('a')
    enqueue('p1')
    enqueue('p2')
    await pass(0)
    await progress('a', 'p1', 'ready')
    expect(kinds(sent)).toEqual(['prepare', 'start'])
    await progress('a', 'p1', 'done')
    await pass(plainPolicy.gapMs + 5)
    expect(kinds(sent)).toEqual(['prepare', 'start', 'prepare'])
  })

  it('wakes in time for a source that never becomes ready, and for one that never ends', async () => {
    const { runtime, sent, enqueue, join, progress } = arrange()
    join('a')
    join('b')
    enqueue('p1')
    await pass(0)
    await progress('a', 'p1', 'ready')
    await pass(plainPolicy.prepareMaxMs + 5)
    expect(sent.at(-1)).toMatchObject({ to: ['a'], message: { type: 'start' } })
    await pass(10_000)
    expect(runtime.state.current).toBeNull()
  })

  it('does not keep sources waiting for the database', async () => {
    const { sent, gate, enqueue, join, progress } = arrange()
    gate.isSlow = true
    join('a')
    enqueue('p1')
    await pass(0)
    await progress('a', 'p1', 'ready')
    expect(kinds(sent)).toEqual(['prepare', 'start'])
  })

  it('writes what gathered meanwhile at once, in order', async () => {
    const { runtime, writes, gate, finish, enqueue, join, progress } = arrange()
    join('a')
    await pass(0)
    gate.isSlow = true
    enqueue('p1')
    await pass(0)
    await progress('a', 'p1', 'ready')
    await progress('a', 'p1', 'started')
    await progress('a', 'p1', 'done')
    const before = writes.length
    gate.isSlow = false
    finish()
    await runtime.settled()
    expect(writes.length - before).toBeLessThanOrEqual(2)
  })

  it('gives up a play that cannot be built any more, says so, and goes on', async () => {
    const { sent, errors, showPlay, enqueue, join } = arrange()
    showPlay.mockRejectedValueOnce(new Error('its version is gone'))
    join('a')
    enqueue('p1')
    enqueue('p2')
    await pass(1000)
    expect(errors).toHaveLength(1)
    expect(sent.map(({ message }) => (message.type === 'prepare' ? message.play.playId : message.type))).toEqual([
      'stop',
      'p2',
    ])
  })

  it('survives a record that cannot be written: the show goes on, the log says so', async () => {
    const { sent, errors, gate, enqueue, join, progress } = arrange()
    gate.isBroken = true
    join('a')
    enqueue('p1')
    await pass(10)
    await progress('a', 'p1', 'ready')
    await pass(10)
    expect(kinds(sent)).toEqual(['prepare', 'start'])
    expect(errors.length).toBeGreaterThan(0)
  })

  it('waits with a play while the database is away, and then shows it', async () => {
    const { sent, showPlay, enqueue, join, writes } = arrange()
    for (let tries = 0; tries < 3; tries++) showPlay.mockRejectedValueOnce(new Error('the database is away'))
    join('a')
    enqueue('p1')
    await pass(2 * plainPolicy.stallMs + 100)
    expect(sent).toEqual([])
    await pass(2 * plainPolicy.stallMs)
    expect(sent.map(({ message }) => message)).toMatchObject([{ type: 'prepare', play: { playId: 'p1' } }])
    expect(JSON.stringify(writes)).not.toContain('failed')
  })

  it.each([
    ['an hour back', -3_600_000],
    ['an hour on', 3_600_000],
    ['forty days on', 40 * 86_400_000],
    ['forty days back', -40 * 86_400_000],
  ])('goes on in its pace where the clock is set %s, and what is kept is by the wall clock', async (_how, stepMs) => {
    const { runtime, wall, sent, writes, enqueue, join, progress } = arrange()
    join('a')
    enqueue('p1')
    enqueue('p2')
    await pass(0)
    await progress('a', 'p1', 'ready')
    wall.nowMs = Date.now() + stepMs
    // Nobody says that it is done: its time passes.
    await pass(3000 + 1500 + plainPolicy.gapMs + 10)
    expect(kinds(sent)).toEqual(['prepare', 'start', 'prepare'])
    await runtime.settled()
    const ended = JSON.stringify(writes).match(/outcomeAt[^0-9]+([0-9T:.-]+Z)/)?.[1] ?? ''
    expect(Date.parse(ended)).toBe(wall.nowMs)
  })

  it('does nothing more once it is closed', async () => {
    const { runtime, enqueue } = arrange()
    await runtime.close()
    enqueue('p1')
    expect(runtime.state.line.size).toBe(0)
  })

  it('begins nothing while it is not sure that the line is its own; what was begun goes on', async () => {
    const { runtime, sent, gate, enqueue, join, progress } = arrange()
    join('a')
    enqueue('p1')
    enqueue('p2')
    await pass(0)
    gate.isSure = false
    await progress('a', 'p1', 'ready')
    expect(kinds(sent)).toEqual(['prepare'])
    gate.isSure = true
    // Nobody tells it.
    await pass(300)
    expect(kinds(sent)).toEqual(['prepare', 'start'])
    gate.isSure = false
    await progress('a', 'p1', 'started')
    await progress('a', 'p1', 'done')
    await pass(plainPolicy.gapMs + 2000)
    expect(kinds(sent)).toEqual(['prepare', 'start'])
    runtime.input({ type: 'removed', playId: 'p2', outcome: 'skipped', reason: 'skipped by tallowmoth' })
    expect(runtime.state.line.size).toBe(0)
  })

  it('says that its lane is another’s where a write is refused, and then does nothing more', async () => {
    const { runtime, sent, gate, writes, enqueue, join } = arrange()
    join('a')
    gate.isRefused = true
    enqueue('p1')
    await runtime.settled()
    expect(gate.isLost).toBe(true)
    const before = [kinds(sent).length, writes.length]
    runtime.abandon()
    enqueue('p2')
    await pass(5000)
    expect([kinds(sent).length, writes.length]).toEqual(before)
  })
})
