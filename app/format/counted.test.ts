import { expect, it } from 'vitest'
import { counted } from './counted.ts'

it.each([
  [0, '0 sources'],
  [1, '1 source'],
  [2, '2 sources'],
])('counts %i as %s', (count, words) => expect(counted(count, 'source')).toBe(words))
