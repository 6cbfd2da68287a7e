import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { noAnswer } from '../db/probe.ts'
import type { Claimed } from '../db/queries/nodes.ts'
import { Lanes } from './lanes.ts'

const mark = { id: 'node-1', machine: 'here', process: '1', seal: 'seal' }

/** @param failures what the first looks meet, one after another */
function arrange(failures: Error[], onTaken: (claimed: readonly Claimed[]) => Promise<void> = async () => {}) {
  const errors: unknown[] = []
  const renew = vi.fn(async () => {
    const failure = failures.shift()
    if (failure) throw failure
    return { nodes: [mark], holds: [] }
  })
  const lanes = new Lanes({
    mark,
    register: {
      renew,
      claim: async () => [{ channelId: 'channel', hold: { lane: 'box:box', epoch: 1 }, leftAt: null }],
      release: async () => {},
      owners: async () => new Map(),
      leave: async () => {},
    },
    isAlone: false,
    steadyMs: () => Date.now(),
    isGone: () => false,
    onTaken,
    onLost: () => {},
    onSure: () => {},
    onNodes: () => {},
    onError: (error) => errors.push(error),
  })
  return { lanes, renew, errors }
}

describe('a node that starts', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('waits for a database that is busy, and says so', async () => {
    const { lanes, errors } = arrange([noAnswer(), noAnswer()])
    await Promise.all([lanes.start(), vi.advanceTimersByTimeAsync(1000)])
    expect(errors).toHaveLength(2)
    expect(lanes.ownerOf('box:box')).toBe('node-1')
    lanes.stop()
  })

  it('gives up after half a minute, and at once where waiting does not help', async () => {
    const away = arrange(Array.from({ length: 200 }, noAnswer))
    const started = away.lanes.start().catch((error: unknown) => error)
    await vi.advanceTimersByTimeAsync(31_000)
    expect(await started).toMatchObject({ code: 'ETIMEDOUT' })
    const strange = arrange([new Error('another secret')])
    await expect(strange.lanes.start()).rejects.toThrow('another secret')
  })

  it('says that it lives while it is long in taking up what it took', async () => {
    let isOpen = false
    const { lanes, renew } = arrange([], async () => {
      await new Promise((resolve) => setTimeout(resolve, 5000))
      isOpen = true
    })
    const started = lanes.start()
    await vi.advanceTimersByTimeAsync(4000)
    expect(isOpen).toBe(false)
    expect(renew.mock.calls.length).toBeGreaterThan(4)
    expect(lanes.isSure).toBe(true)
    await Promise.all([started, vi.advanceTimersByTimeAsync(2000)])
    expect(isOpen).toBe(true)
    lanes.stop()
  })
})
