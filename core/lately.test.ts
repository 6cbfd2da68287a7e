import { expect, it, vi } from 'vitest'
import { lately } from './lately.ts'

it('what was read lately is at hand, and what was not for the longest goes first', () => {
  const read = vi.fn((text: string) => ({ text }))
  const again = lately(read, 2)
  const first = again('a')
  expect(again('a')).toBe(first)
  for (const text of ['b', 'a', 'c', 'a', 'b']) expect(again(text)).toEqual({ text })
  expect(read.mock.calls.map(([text]) => text)).toEqual(['a', 'b', 'c', 'b'])
})
