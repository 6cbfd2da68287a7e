import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { heartbeatEveryMs, silenceMaxMs } from '../../contract/sourceLimits.ts'
import { SourceRooms } from './sourceRooms.ts'

const view = (id: string) => ({
  id,
  connectedAtMs: 0,
  latencyMs: null,
  sound: 'on' as const,
  ...{ isHeard: true, isSilenced: false, isHidden: false, chromium: 127, frames: null },
  widthPx: 1920,
  heightPx: 1080,
  missing: [],
  machine: '',
})
function socket() {
  const sent: string[] = []
  return { sent, send: (text: string) => void sent.push(text), close: vi.fn(), terminate: vi.fn() }
}

describe('SourceRooms', () => {
  let nowMs = 0
  const silent: string[] = []
  const changed: string[] = []
  const fresh = { shownPlayIds: [], showing: null }
  const of = (boxId: string) => ({ boxId, channelId: 'channel' })
  let rooms: SourceRooms

  beforeEach(() => {
    vi.useFakeTimers()
    nowMs = 0
    silent.length = 0
    changed.length = 0
    rooms = new SourceRooms(
      () => nowMs,
      (boxId, sourceId) => void silent.push(`${boxId}/${sourceId}`),
      (_channelId, boxId) => void changed.push(boxId),
    )
  })
  afterEach(() => {
    rooms.closeAll()
    vi.useRealTimers()
  })
  const pass = (ms: number) => {
    for (let passed = 0; passed < ms; passed += heartbeatEveryMs) {
      nowMs += heartbeatEveryMs
      vi.advanceTimersByTime(heartbeatEveryMs)
    }
  }

  it('sends to the sources that are meant, and to no other box', () => {
    const [a, b, other] = [socket(), socket(), socket()]
    rooms.join(of('box'), a, view('a'), fresh)
    rooms.join(of('box'), b, view('b'), fresh)
    rooms.join(of('other'), other, view('a'), fresh)
    rooms.send('box', ['a', 'gone'], { type: 'stop', playId: 'p' })
    expect(a.sent).toEqual(['{"type":"stop","playId":"p"}'])
    expect([...b.sent, ...other.sent]).toEqual([])
    expect(rooms.count()).toBe(3)
  })

  it('gives up a source that has been silent for too long, and keeps one that answers', () => {
    const [quiet, alive] = [socket(), socket()]
    rooms.join(of('box'), quiet, view('quiet'), fresh)
    rooms.join(of('box'), alive, view('alive'), fresh)
    for (let beats = 0; beats < 5; beats++) {
      pass(heartbeatEveryMs)
      rooms.heard('box', 'alive', { latencyMs: 7 })
    }
    expect(nowMs).toBeGreaterThan(silenceMaxMs)
    expect(silent).toEqual(['box/quiet'])
    expect(quiet.terminate).toHaveBeenCalledOnce()
    expect(rooms.views('box')).toMatchObject([{ id: 'alive', latencyMs: 7 }])
    expect(alive.sent.at(-1)).toContain('"ping"')
  })

  it('closes every source of a box whose address was replaced', () => {
    const [a, other] = [socket(), socket()]
    rooms.join(of('box'), a, view('a'), fresh)
    rooms.join(of('other'), other, view('b'), fresh)
    rooms.closeBox('box', 4401, 'address replaced')
    expect(a.close).toHaveBeenCalledWith(4401, 'address replaced')
    expect(other.close).not.toHaveBeenCalled()
  })

  it('knows what each has shown and shows, for whoever carries out its line next', () => {
    rooms.join(of('box'), socket(), view('a'), { shownPlayIds: ['p1'], showing: { playId: 'p1', atMs: 500 } })
    nowMs = 1000
    rooms.reached('box', 'a', 'p1', 'done')
    rooms.reached('box', 'a', 'p2', 'ready')
    expect(rooms.known('box')).toEqual([{ sourceId: 'a', shownPlayIds: ['p1'], showing: null }])
    rooms.reached('box', 'a', 'p2', 'started')
    nowMs = 3000
    expect(rooms.known('box')).toEqual([
      { sourceId: 'a', shownPlayIds: ['p1', 'p2'], showing: { playId: 'p2', atMs: 2000 } },
    ])
  })

  it('says that something is new where something is', () => {
    rooms.join(of('box'), socket(), view('a'), fresh)
    rooms.heard('box', 'a', { latencyMs: 3, missing: [] })
    rooms.heard('box', 'a', { latencyMs: 3, missing: [] })
    rooms.heard('box', 'a')
    rooms.leave('box', 'a')
    expect(changed).toEqual(['box', 'box', 'box'])
  })
})
