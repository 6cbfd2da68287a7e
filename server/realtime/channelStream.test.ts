import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ChannelLive } from '../../contract/channelLive.ts'
import { ChannelStream } from './channelStream.ts'

const live = { serverNowMs: 1, desks: [] } as unknown as ChannelLive
const screen = (sessionId = 'a') => ({ sessionId, tell: vi.fn(), end: vi.fn() })

describe('ChannelStream', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('gathers a burst of changes into one reading for all who listen', async () => {
    const read = vi.fn(async () => live)
    const stream = new ChannelStream({ read, onError: () => undefined })
    const heard = [screen(), screen()]
    heard.forEach((each) => stream.listen('channel', each))
    for (let count = 0; count < 100; count++) stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read).toHaveBeenCalledTimes(1)
    heard.forEach(({ tell }) => expect(tell).toHaveBeenCalledWith(JSON.stringify(live)))
  })

  it('reads nothing when nobody listens, or nobody any more', async () => {
    const read = vi.fn(async () => live)
    const stream = new ChannelStream({ read, onError: () => undefined })
    stream.changed('channel')
    stream.listen('channel', screen())()
    await vi.advanceTimersByTimeAsync(500)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read.mock.calls.length).toBeLessThanOrEqual(1)
  })

  it('goes on after a reading that failed', async () => {
    const onError = vi.fn()
    const read = vi.fn<() => Promise<ChannelLive>>().mockRejectedValueOnce(new Error('no')).mockResolvedValue(live)
    const stream = new ChannelStream({ read, onError })
    const listener = screen()
    stream.listen('channel', listener)
    await vi.advanceTimersByTimeAsync(200)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(200)
    expect(onError).toHaveBeenCalledOnce()
    expect(listener.tell).toHaveBeenCalledOnce()
  })

  it('ends the screens of a session that is over, and no others', () => {
    const stream = new ChannelStream({ read: async () => live, onError: () => undefined })
    const [gone, here] = [screen('a'), screen('b')]
    stream.listen('channel', gone)
    stream.listen('channel', here)
    stream.endSession('a')
    expect([gone.end.mock.calls.length, here.end.mock.calls.length]).toEqual([1, 0])
    stream.close()
    expect(here.end).toHaveBeenCalledOnce()
  })
})
