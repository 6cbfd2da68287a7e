import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ChannelLive } from '../../contract/channelLive.ts'
import { ChannelStream } from './channelStream.ts'

const live = { serverNowMs: 1, desks: [] } as unknown as ChannelLive

describe('ChannelStream', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('gathers a burst of changes into one reading for all who listen', async () => {
    const read = vi.fn(async () => live)
    const stream = new ChannelStream(read, () => undefined)
    const heard = [vi.fn(), vi.fn()]
    heard.forEach((listener) => stream.listen('channel', listener))
    for (let count = 0; count < 100; count++) stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read).toHaveBeenCalledTimes(1)
    heard.forEach((listener) => expect(listener).toHaveBeenCalledWith(live))
  })

  it('reads nothing when nobody listens, or nobody any more', async () => {
    const read = vi.fn(async () => live)
    const stream = new ChannelStream(read, () => undefined)
    stream.changed('channel')
    stream.listen('channel', () => undefined)()
    await vi.advanceTimersByTimeAsync(500)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read.mock.calls.length).toBeLessThanOrEqual(1)
  })

  it('goes on after a reading that failed', async () => {
    const onError = vi.fn()
    const read = vi.fn<() => Promise<ChannelLive>>().mockRejectedValueOnce(new Error('no')).mockResolvedValue(live)
    const stream = new ChannelStream(read, onError)
    const listener = vi.fn()
    stream.listen('channel', listener)
    await vi.advanceTimersByTimeAsync(200)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(200)
    expect(onError).toHaveBeenCalledOnce()
    expect(listener).toHaveBeenCalledOnce()
  })
})
