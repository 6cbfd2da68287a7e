import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { giveBackUnless, places, rememberLately } from './remember.ts'

/** Things that take as much room as their names say: `a7`. */
const sizeOf = (name: string) => Number(name.slice(1)) || 1
function room(bytesMost: number) {
  const clock = { ms: 0 }
  const load = vi.fn(async (key: string) => ({ key }))
  const givenBack: string[] = []
  const remembered = rememberLately(
    load,
    { bytesMost, bytesOf: ({ key }) => sizeOf(key), giveBack: ({ key }) => givenBack.push(key) },
    () => clock.ms,
  )
  return { clock, load, givenBack, remembered }
}

describe('what was loaded lately', () => {
  it('is loaded once for many who ask at the same time', async () => {
    const load = vi.fn(async (key: string) => key)
    const remembered = rememberLately(load, places(5))
    await Promise.all([remembered('a'), remembered('a'), remembered('a')])
    expect(load).toHaveBeenCalledOnce()
  })
  it('goes when it was unused for the longest', async () => {
    const load = vi.fn(async (key: string) => key)
    const remembered = rememberLately(load, places(2))
    for (const key of ['a', 'b', 'a', 'c', 'a', 'b']) await remembered(key)
    expect(load.mock.calls.map(([key]) => key)).toEqual(['a', 'b', 'c', 'b'])
  })
  it('is tried again after a failure', async () => {
    const load = vi
      .fn<(key: string) => Promise<string>>()
      .mockRejectedValueOnce(new Error('gone'))
      .mockResolvedValue('here')
    const remembered = rememberLately(load, places(2))
    await expect(remembered('a')).rejects.toThrow('gone')
    await expect(remembered('a')).resolves.toBe('here')
  })
  it('takes no more room than there is, but for what was asked for last', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 60 }), async (sizes) => {
        const { load, remembered } = room(50)
        let held: number[] = []
        for (const size of sizes) {
          const before = load.mock.calls.length
          await remembered(`x${size}`)
          const isNew = load.mock.calls.length > before
          expect(isNew).toBe(!held.includes(size))
          held = [...held.filter((each) => each !== size), size]
          while (held.length > 1 && held.reduce((sum, each) => sum + each, 0) > 50) held.shift()
        }
      }),
    )
  })
  it('is given back when there is no room for it, not while it is shown or on its way, and only where a page says so', async () => {
    const { clock, givenBack, remembered } = room(10)
    await remembered('a6')
    await remembered('b6')
    clock.ms = 100_000
    await remembered('c6')
    expect(givenBack).toEqual([])
    const shown = new Set(['c6'])
    giveBackUnless((loaded) => shown.has((loaded as { key: string }).key))
    await remembered('d6')
    expect(givenBack).toEqual([])
    clock.ms = 200_000
    await remembered('e6')
    expect(givenBack).toEqual(['d6'])
    shown.clear()
    await remembered('f6')
    expect(givenBack.sort()).toEqual(['c6', 'd6'])
    clock.ms = 300_000
    await remembered('g6')
    expect(givenBack.sort()).toEqual(['c6', 'd6', 'e6', 'f6'])
  })
})
