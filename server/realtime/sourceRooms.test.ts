import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { heartbeatEveryMs, silenceMaxMs } from '../../contract/sourceLimits.ts'
import { SourceRooms } from './sourceRooms.ts'

const view = (id: string) => ({
  id,
  connectedAtMs: 0,
  latencyMs: null,
  sound: 'on' as const,
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
  let rooms: SourceRooms

  beforeEach(() => {
    vi.useFakeTimers()
    nowMs = 0
    silent.length = 0
    rooms = new SourceRooms(
      () => nowMs,
      (boxId, sourceId) => void silent.push(`${boxId}/${sourceId}`),
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
    rooms.join('box', a, view('a'))
    rooms.join('box', b, view('b'))
    rooms.join('other', other, view('a'))
    rooms.send('box', ['a', 'gone'], { type: 'stop', playId: 'p' })
    expect(a.sent).toEqual(['{"type":"stop","playId":"p"}'])
    expect([...b.sent, ...other.sent]).toEqual([])
    expect(rooms.count()).toBe(3)
  })

  it('gives up a source that has been silent for too long, and keeps one that answers', () => {
    const [quiet, alive] = [socket(), socket()]
    rooms.join('box', quiet, view('quiet'))
    rooms.join('box', alive, view('alive'))
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
    rooms.join('box', a, view('a'))
    rooms.join('other', other, view('b'))
    rooms.closeBox('box', 4401, 'address replaced')
    expect(a.close).toHaveBeenCalledWith(4401, 'address replaced')
    expect(other.close).not.toHaveBeenCalled()
  })
})
