import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { FromSource } from '../../contract/sourceMessages.ts'
import { closedAddressReplaced } from '../../contract/sourceLimits.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import { SourceRooms } from './sourceRooms.ts'
import { chromiumOf, SourceTalk } from './sourceTalk.ts'

const hello: FromSource = { type: 'hello', shownPlayIds: ['p0'], sound: 'on', widthPx: 1920, heightPx: 1080 }

describe('talking with a source page', () => {
  const inputs: QueueInput[] = []
  const peer = {
    ...{ id: 'peer', send: vi.fn(), close: vi.fn(), terminate: vi.fn(), websocket: { bufferedAmount: 0 } },
    request: { headers: new Headers({ 'user-agent': 'Chrome/127.0.1' }) },
  }
  let rooms: SourceRooms
  let answer: (isValid: boolean) => void
  let fail: (error: Error) => void
  const errors: unknown[] = []
  let talk: SourceTalk

  beforeEach(() => {
    vi.useFakeTimers()
    inputs.length = 0
    peer.websocket.bufferedAmount = 0
    for (const each of [peer.send, peer.close, peer.terminate]) each.mockClear()
    rooms = new SourceRooms(
      () => 0,
      () => undefined,
      () => undefined,
    )
    talk = new SourceTalk('box', 'channel', peer, {
      rooms,
      steadyMs: () => 0,
      onSettled: () => undefined,
      onError: (error) => void errors.push(error),
      input: (input) => void inputs.push(input),
      wakeVoices: () => undefined,
      standing: () =>
        new Promise((resolve, reject) => {
          answer = (isValid) => resolve(isValid ? 'here' : 'replaced')
          fail = reject
        }),
    })
  })
  afterEach(() => {
    rooms.closeAll()
    vi.useRealTimers()
  })
  const say = (message: unknown) => talk.hear(JSON.stringify(message), 100)
  const types = () => inputs.map((input) => ('progress' in input ? input.progress : input.type))

  it('takes what comes right behind the hello after it, in order', async () => {
    void say(hello)
    void say({ type: 'sound', sound: 'blocked' })
    void say({ type: 'ready', playId: 'p1', missing: ['picture loaf'] })
    const last = say({ type: 'started', playId: 'p1' })
    await vi.advanceTimersByTimeAsync(50)
    expect(inputs).toEqual([])
    answer(true)
    await last
    expect(types()).toEqual(['sourceJoined', 'ready', 'started'])
    expect(rooms.views('box')).toMatchObject([{ sound: 'blocked', missing: ['picture loaf'] }])
  })

  it('is told to come back where the database does not answer', async () => {
    errors.length = 0
    const said = say(hello)
    await vi.advanceTimersByTimeAsync(0)
    fail(new Error('down'))
    await said
    expect(errors).toHaveLength(1)
    expect(peer.close).toHaveBeenCalledWith(1012, 'not now')
  })

  it('never lets a page join that has gone while its hello was looked at', async () => {
    const said = say(hello)
    await vi.advanceTimersByTimeAsync(0)
    talk.close()
    answer(true)
    await said
    expect([inputs, rooms.count()]).toEqual([[], 0])
  })

  it('takes a page out once, however often it is told to have gone', async () => {
    const said = say(hello)
    await vi.advanceTimersByTimeAsync(0)
    answer(true)
    await said
    talk.close()
    talk.close()
    await say({ type: 'done', playId: 'p1' })
    expect([types(), rooms.count()]).toEqual([['sourceJoined', 'sourceLeft'], 0])
  })

  it('sends a page away whose address was replaced meanwhile', async () => {
    const said = say(hello)
    await vi.advanceTimersByTimeAsync(0)
    answer(false)
    await said
    expect(peer.close).toHaveBeenCalledWith(closedAddressReplaced, 'address replaced')
    expect(rooms.count()).toBe(0)
  })

  it('listens to nobody who never says hello, and not for long', async () => {
    await say({ type: 'ready', playId: 'p1', missing: [] })
    expect(inputs).toEqual([])
    await vi.advanceTimersByTimeAsync(11_000)
    expect(peer.close).toHaveBeenCalledWith(1008, 'no hello')
  })

  it('refuses what is too large, not understood, or too much at once', async () => {
    void talk.hear('x', 20_000)
    expect(peer.close).toHaveBeenLastCalledWith(1009, 'too large')
    void say({ type: 'goodbye' })
    expect(peer.close).toHaveBeenLastCalledWith(1007, 'not understood')
    for (let count = 0; count < 65; count++) void say(hello)
    expect(peer.close).toHaveBeenLastCalledWith(1008, 'too many at once')
  })

  it('says how it is heard and seen, by which Chromium, and how its last alert was drawn', async () => {
    void say({ ...hello, isHidden: true })
    const first = say({ type: 'sound', sound: 'on', isHeard: false, isSilenced: true, isHidden: false })
    await vi.advanceTimersByTimeAsync(1)
    answer(true)
    await first
    expect(rooms.views('box')).toMatchObject([
      { isHeard: false, isSilenced: true, isHidden: false, chromium: 127, frames: null },
    ])
    await say({ type: 'done', playId: 'p1', frames: { drawn: 300, dropped: 4 } })
    expect(rooms.views('box')).toMatchObject([{ frames: { drawn: 300, dropped: 4 } }])
    // An older page says nothing of all that.
    await say({ type: 'sound', sound: 'on' })
    expect(rooms.views('box')).toMatchObject([{ isHeard: true, isSilenced: false, isHidden: false }])
  })

  it('is let go where it is too far behind, instead of piling up', async () => {
    void say(hello)
    await vi.advanceTimersByTimeAsync(1)
    answer(true)
    await vi.advanceTimersByTimeAsync(1)
    const tell = () => rooms.send('box', ['peer'], { type: 'stop', playId: 'p1' })
    tell()
    expect([peer.send.mock.calls.length, peer.terminate.mock.calls.length]).toEqual([1, 0])
    peer.websocket.bufferedAmount = 5 * 1024 * 1024
    tell()
    expect([peer.send.mock.calls.length, peer.terminate.mock.calls.length]).toEqual([1, 1])
  })

  it('knows which Chromium shows a page', () => {
    expect(chromiumOf('Mozilla/5.0 (X11) AppleWebKit/537.36 Chrome/127.0.6533.119 Safari/537.36')).toBe(127)
    expect(chromiumOf('Mozilla/5.0 HeadlessChrome/140.0.1 Safari/537.36')).toBe(140)
    expect(chromiumOf('another program')).toBeNull()
  })
})
