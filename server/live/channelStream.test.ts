import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ChannelLive } from '../../contract/channelLive.ts'
import { ChannelStream } from './channelStream.ts'

const moment = (libraryRevision: number) => ({ desks: [], libraryRevision }) as unknown as ChannelLive

/** A stream over a model that shows one more change each time that it is read. */
function world(read = vi.fn(async () => moment(read.mock.calls.length))) {
  const onError = vi.fn()
  const model = { note: vi.fn(), read, againAfterMs: null as number | null }
  const stream = new ChannelStream({ model: () => model, wallMs: () => 7, onError })
  const screen = (sessionId = 'a') => {
    const heard: Record<string, unknown>[] = []
    return { sessionId, heard, tell: (text: string) => void heard.push(JSON.parse(text)), end: vi.fn() }
  }
  return { stream, model, read, onError, screen }
}

describe('ChannelStream', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('gathers a burst of changes into one reading for all who listen, and tells what differs', async () => {
    const { stream, read, screen } = world()
    const screens = [screen(), screen()]
    screens.forEach((each) => stream.listen('channel', each))
    await vi.advanceTimersByTimeAsync(1)
    for (let count = 0; count < 100; count++) stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read).toHaveBeenCalledTimes(2)
    for (const { heard } of screens)
      expect(heard).toEqual([
        { stream: heard[0]?.stream, seq: 1, serverNowMs: 7, whole: moment(1) },
        { stream: heard[0]?.stream, seq: 2, serverNowMs: 7, change: { libraryRevision: 2 } },
      ])
  })

  it('begins with the whole for whoever comes later, and gives it to whoever missed something', async () => {
    const { stream, read, screen } = world()
    stream.listen('channel', screen())
    await vi.advanceTimersByTimeAsync(1)
    const late = screen()
    const listening = stream.listen('channel', late)
    expect(late.heard).toMatchObject([{ seq: 1, whole: moment(1) }])
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(JSON.parse(listening.whole() ?? '')).toMatchObject({ seq: 2, whole: moment(2) })
    expect(read).toHaveBeenCalledTimes(2)
  })

  it('tells nothing where nothing differs', async () => {
    const { stream, screen } = world(vi.fn(async () => moment(1)))
    const one = screen()
    stream.listen('channel', one)
    await vi.advanceTimersByTimeAsync(1)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(one.heard).toHaveLength(1)
  })

  it('reads again what changed while it was read, and what the model wants to see again', async () => {
    let finish = () => undefined as void
    const read = vi.fn(() => new Promise<ChannelLive>((resolve) => (finish = () => resolve(moment(1)))))
    const { stream, model, screen } = world(read)
    stream.listen('channel', screen())
    await vi.advanceTimersByTimeAsync(1)
    stream.changed('channel', 'feeds')
    finish()
    await vi.advanceTimersByTimeAsync(121)
    expect(read).toHaveBeenCalledTimes(2)
    model.againAfterMs = 700
    finish()
    await vi.advanceTimersByTimeAsync(600)
    expect(read).toHaveBeenCalledTimes(2)
    await vi.advanceTimersByTimeAsync(200)
    expect(read).toHaveBeenCalledTimes(3)
  })

  it('reads nothing when nobody listens, or nobody any more', async () => {
    const { stream, read, screen } = world()
    stream.changed('channel')
    stream.listen('channel', screen()).stop()
    await vi.advanceTimersByTimeAsync(500)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(500)
    expect(read).not.toHaveBeenCalled()
    expect(stream.watched()).toEqual([])
  })

  it('goes on after a reading that failed', async () => {
    const read = vi.fn<() => Promise<ChannelLive>>().mockRejectedValueOnce(new Error('no')).mockResolvedValue(moment(1))
    const { stream, onError, screen } = world(read)
    const one = screen()
    stream.listen('channel', one)
    await vi.advanceTimersByTimeAsync(200)
    stream.changed('channel')
    await vi.advanceTimersByTimeAsync(200)
    expect(onError).toHaveBeenCalledOnce()
    expect(one.heard).toHaveLength(1)
  })

  it('ends the screens of a session that is over, and no others', () => {
    const { stream, screen } = world()
    const [gone, here] = [screen('a'), screen('b')]
    stream.listen('channel', gone)
    stream.listen('channel', here)
    stream.endSession('a')
    expect([gone.end.mock.calls.length, here.end.mock.calls.length]).toEqual([1, 0])
    stream.close()
    expect(here.end).toHaveBeenCalledOnce()
  })
})
