import { describe, expect, it, vi } from 'vitest'
import { rememberLately } from './remember.ts'

describe('rememberLately', () => {
  it('loads once for many who ask at the same time', async () => {
    const load = vi.fn(async (key: string) => key)
    const remembered = rememberLately(load, 5)
    await Promise.all([remembered('a'), remembered('a'), remembered('a')])
    expect(load).toHaveBeenCalledOnce()
  })

  it('lets the longest unused go first', async () => {
    const load = vi.fn(async (key: string) => key)
    const remembered = rememberLately(load, 2)
    for (const key of ['a', 'b', 'a', 'c', 'a', 'b']) await remembered(key)
    expect(load.mock.calls.map(([key]) => key)).toEqual(['a', 'b', 'c', 'b'])
  })

  it('tries again after a failure', async () => {
    const load = vi
      .fn<(key: string) => Promise<string>>()
      .mockRejectedValueOnce(new Error('gone'))
      .mockResolvedValue('here')
    const remembered = rememberLately(load, 2)
    await expect(remembered('a')).rejects.toThrow('gone')
    await expect(remembered('a')).resolves.toBe('here')
  })
})
