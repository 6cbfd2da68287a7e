import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { playMs, SimulatedOwner, World } from '../arrange/twoOwners.ts'

type Act = 'event' | 'kill' | 'still' | 'cut' | 'down' | 'wait' | 'long'
const acts = fc.array(
  fc.record({
    act: fc.constantFrom<Act>('event', 'event', 'event', 'kill', 'still', 'cut', 'down', 'wait', 'wait', 'long'),
    which: fc.nat(1),
  }),
  { minLength: 8, maxLength: 40 },
)

describe('two owners of one lane', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  /** A world in which things happen to two servers with a source each; in the end all is well again for long enough. */
  async function livedThrough(list: readonly { act: Act; which: number }[]) {
    const world = new World()
    let number = 0
    const paces = [1.02, 0.98]
    const born = (which: number) => new SimulatedOwner(world, `source-${which}`, number++, paces[which] ?? 1)
    const owners: (SimulatedOwner | null)[] = [born(0), born(1)]
    let count = 0
    const pass = async (ms: number) => {
      for (let passed = 0; passed < ms; passed += 100) {
        world.nowMs += 100
        await vi.advanceTimersByTimeAsync(100)
        for (const each of owners) await each?.live()
      }
    }
    await pass(300)
    for (const { act, which } of list) {
      const owner = owners[which]
      if (act === 'event') world.add(`p${count++}`)
      else if (act === 'kill') owners[which] = owner ? null : born(which)
      else if (act === 'still' && owner) owner.isStill = !owner.isStill
      else if (act === 'cut' && owner && !world.cut.delete(owner.id)) world.cut.add(owner.id)
      else if (act === 'down') world.isDown = !world.isDown
      await pass(act === 'long' ? 5_000 : 300)
    }
    world.isDown = false
    world.cut.clear()
    for (const which of [0, 1]) {
      const owner = owners[which]
      if (owner) owner.isStill = false
      else owners[which] = born(which)
    }
    await pass(25_000 + world.plays.size * (playMs + 1_500))
    return world
  }

  it('give every play one outcome and no second, show nothing twice, and are never two at once', async () => {
    await fc.assert(
      fc.asyncProperty(acts, async (list) => {
        const world = await livedThrough(list)
        expect([world.stolen, world.cutOff]).toEqual([[], []])
        for (const { id, outcomes } of world.plays.values()) expect([id, outcomes.length]).toEqual([id, 1])
        for (const shown of world.shown.values()) expect(shown.length).toBe(new Set(shown).size)
      }),
      { numRuns: 60 },
    )
  }, 120_000)

  it.each(['cut', 'still'] as const)('begin nothing once the other has taken over: %s', async (act) => {
    const events = Array.from({ length: 8 }, () => ({ act: 'event' as const, which: 0 }))
    const wait = { act: 'wait' as const, which: 0 }
    const long = { act: 'long' as const, which: 0 }
    // At any moment of a play and of the gap behind it.
    for (let waits = 0; waits < 8; waits++) {
      const before = [...events, ...Array.from({ length: waits }, () => wait)]
      const world = await livedThrough([...before, { act, which: 0 }, long, long])
      expect([world.stolen, world.cutOff, world.epoch]).toEqual([[], [], 2])
    }
  })

  it('go on within a lease of the other’s death', async () => {
    const list = ['event', 'event', 'event', 'event'].map((act) => ({ act: act as Act, which: 0 }))
    const world = await livedThrough([...list, { act: 'kill', which: 0 }, { act: 'kill', which: 1 }])
    expect([...world.plays.values()].map(({ outcomes }) => outcomes)).toEqual(
      [...world.plays.values()].map(() => ['played']),
    )
  })
})
