import { describe, expect, it } from 'vitest'
import { emptyQueue } from '../../core/queue/state.ts'
import type { PlayView } from '../../contract/views.ts'
import { laneViewOf } from '../queue/laneView.ts'
import { Clock } from './clock.ts'
import { LiveViews } from './liveViews.ts'

describe('what screens show while the database is away', () => {
  const play = (id: string) => ({ id }) as PlayView
  const state = {
    ...emptyQueue,
    waiting: [
      { playId: 'p2', enqueuedAtMs: 0, lengthMs: 1 },
      { playId: 'p3', enqueuedAtMs: 0, lengthMs: 1 },
    ],
    isHeld: true,
  }
  const world = { isDown: false, why: null as 'gone' | null }
  const views = new LiveViews({
    db: { select: () => fail() } as never,
    clock: new Clock(),
    onAir: {
      read: async () => (world.isDown ? fail() : { boxes: [{ boxId: 'box' }], locale: 'en', speech: { isOn: true } }),
    } as never,
    neighbours: { line: () => laneViewOf('box', state, (atMs) => atMs), sourcesOf: () => [] },
    library: { revision: () => 3 } as never,
    trouble: {
      note: () => {
        world.why = 'gone'
        return true
      },
      get why() {
        return world.why
      },
    },
  })
  function fail(): never {
    throw Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' })
  }

  it('is what was known before, with what the lines know themselves, and says so', async () => {
    // Nothing was known yet: nothing can be shown.
    world.isDown = true
    await expect(views.read('channel')).rejects.toThrow()
    world.isDown = false
    const before = {
      serverNowMs: 1,
      ridge: { desk: { waiting: 0 } },
      desks: [{ boxId: 'box', waiting: [play('p1'), play('p2')], current: null }],
    }
    ;(views as unknown as { last: Map<string, unknown> }).last.set('channel', before)
    world.isDown = true
    expect(await views.read('channel')).toMatchObject({
      databaseTrouble: 'gone',
      ridge: { desk: { waiting: 2 } },
      desks: [{ waiting: [{ id: 'p2' }], waitingCount: 2, isHeld: true }],
    })
  })
})
