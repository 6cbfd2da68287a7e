import { describe, expect, it } from 'vitest'
import { newId, newSecret } from './ids.ts'

describe('ids', () => {
  it('sort by the time they were made at', () => {
    const times = [0, 1, 31, 32, 1_000_000, 1_795_598_448_678, 30_000_000_000_000]
    const ids = times.map((time) => newId('play', time))
    expect([...ids].sort()).toEqual(ids)
  })

  it('do not repeat and fit what an address may hold', () => {
    const ids = new Set(Array.from({ length: 5000 }, () => newId('play', 1)))
    expect(ids.size).toBe(5000)
    for (const id of ids) expect(id).toMatch(/^play-[0-9a-z]{20}$/)
    expect(newSecret('src')).toMatch(/^src[0-9a-z]{32}$/)
  })
})
