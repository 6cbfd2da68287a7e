import type { FromSource, ToSource } from '../../contract/sourceMessages.ts'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closedAddressReplaced, silenceMaxMs } from '../../contract/sourceLimits.ts'
import { connect } from './connection.ts'

/** A socket that the test opens, feeds and closes. */
class FakeSocket extends EventTarget {
  static readonly OPEN = 1
  static all: FakeSocket[] = []
  readyState = 0
  sent: string[] = []

  constructor(readonly url: string) {
    super()
    FakeSocket.all.push(this)
  }

  send(text: string): void {
    this.sent.push(text)
  }

  close(): void {
    this.readyState = 3
  }

  opens(): void {
    this.readyState = 1
    this.dispatchEvent(new Event('open'))
  }

  says(message: object): void {
    this.dispatchEvent(Object.assign(new Event('message'), { data: JSON.stringify(message) }))
  }

  closes(code: number): void {
    this.readyState = 3
    this.dispatchEvent(Object.assign(new Event('close'), { code }))
  }
}

const latest = () => FakeSocket.all.at(-1)!

describe('connect', () => {
  const listener = { onOpen: vi.fn(), onMessage: vi.fn(), onLost: vi.fn(), onRefused: vi.fn() }

  beforeEach(() => {
    vi.useFakeTimers()
    vi.stubGlobal('WebSocket', FakeSocket)
    FakeSocket.all = []
    Object.values(listener).forEach((each) => each.mockReset())
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('sends what waited, in order, after it has introduced itself', () => {
    const link = connect<ToSource, FromSource>('ws://x', {
      ...listener,
      onOpen: () => link.send({ type: 'sound', sound: 'on' }),
    })
    link.send({ type: 'done', playId: 'p1' })
    link.send({ type: 'done', playId: 'p2' })
    link.send({ type: 'pong', sentAtMs: 1 })
    latest().opens()
    expect(latest().sent.map((text) => JSON.parse(text) as object)).toEqual([
      { type: 'sound', sound: 'on' },
      { type: 'done', playId: 'p1' },
      { type: 'done', playId: 'p2' },
    ])
  })

  it('comes back by itself, with pauses that grow and differ', async () => {
    connect<ToSource, FromSource>('ws://x', listener)
    const pauses: number[] = []
    for (let tries = 0; tries < 8; tries++) {
      latest().closes(1006)
      const before = FakeSocket.all.length
      let waitedMs = 0
      while (FakeSocket.all.length === before) {
        await vi.advanceTimersByTimeAsync(10)
        waitedMs += 10
      }
      pauses.push(waitedMs)
    }
    expect(Math.max(...pauses)).toBeLessThanOrEqual(15_200)
    expect(new Set(pauses).size).toBeGreaterThan(3)
    latest().opens()
    latest().closes(1006)
    await vi.advanceTimersByTimeAsync(600)
    expect(FakeSocket.all).toHaveLength(10)
  })

  it('gives up a connection that has gone silent', async () => {
    connect<ToSource, FromSource>('ws://x', listener)
    latest().opens()
    await vi.advanceTimersByTimeAsync(silenceMaxMs - 1000)
    latest().says({ type: 'ping', sentAtMs: 1 })
    await vi.advanceTimersByTimeAsync(silenceMaxMs - 1000)
    expect(listener.onLost).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(2000)
    expect(listener.onLost).toHaveBeenCalledOnce()
  })

  it('stops for good when its address was replaced', async () => {
    connect<ToSource, FromSource>('ws://x', listener)
    latest().opens()
    latest().closes(closedAddressReplaced)
    await vi.advanceTimersByTimeAsync(120_000)
    expect(listener.onRefused).toHaveBeenCalledOnce()
    expect(FakeSocket.all).toHaveLength(1)
  })

  it('hears nothing more from a connection that it has given up', () => {
    connect<ToSource, FromSource>('ws://x', listener)
    const first = latest()
    first.opens()
    first.closes(1006)
    first.says({ type: 'stop', playId: 'p' })
    expect(listener.onMessage).not.toHaveBeenCalled()
    first.closes(1006)
    expect(listener.onLost).toHaveBeenCalledOnce()
  })
})
