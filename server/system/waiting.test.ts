import { describe, expect, it, vi } from 'vitest'
import { KeptPromises } from './keptPromises.ts'
import { Turns } from '../../core/turns.ts'

describe('Turns', () => {
  it('does one thing after another, and what one throws is its own', async () => {
    const turns = new Turns()
    const done: string[] = []
    const first = turns.take(async () => {
      await new Promise((resolve) => setTimeout(resolve, 5))
      done.push('first')
      throw new Error('no')
    })
    const second = turns.take(() => void done.push('second'))
    await expect(first).rejects.toThrow('no')
    await second
    expect(done).toEqual(['first', 'second'])
    await turns.settled()
  })
})

describe('KeptPromises', () => {
  it('asks once, and again where that failed', async () => {
    const ask = vi.fn<() => Promise<number>>().mockRejectedValueOnce(new Error('down')).mockResolvedValue(7)
    const kept = new KeptPromises<string, number>()
    const both = await Promise.allSettled([kept.get('a', ask), kept.get('a', ask)])
    expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected'])
    expect([await kept.get('a', ask), await kept.get('a', ask)]).toEqual([7, 7])
    expect(ask).toHaveBeenCalledTimes(2)
  })

  it('keeps what was asked for after a failed one had been forgotten', async () => {
    let fail: (error: Error) => void = () => undefined
    const kept = new KeptPromises<string, number>()
    const first = kept.get('a', () => new Promise((_resolve, reject) => (fail = reject)))
    kept.forget('a')
    const second = kept.get('a', async () => 2)
    fail(new Error('late'))
    await expect(first).rejects.toThrow('late')
    expect(kept.has('a')).toBe(true)
    expect(await second).toBe(2)
  })
})
