import { expect, it } from 'vitest'
import { bytesInWords } from './bytesInWords.ts'

it('bytes are said in the unit in which they are read at once', () => {
  expect([0, 999, 1_000, 20_440_000, 999_000_000, 5.4e9, 3e15].map(bytesInWords)).toEqual([
    ...['0 B', '999 B', '1.0 kB', '20.4 MB', '999 MB', '5.4 GB', '3000 TB'],
  ])
})
