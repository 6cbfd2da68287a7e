import { describe, expect, it } from 'vitest'
import { byteRange } from './byteRange.ts'

describe('byteRange', () => {
  it.each([
    ['bytes=0-99', { first: 0, last: 99 }],
    ['bytes=900-', { first: 900, last: 999 }],
    ['bytes=-100', { first: 900, last: 999 }],
    ['bytes=-5000', { first: 0, last: 999 }],
    ['bytes=990-5000', { first: 990, last: 999 }],
    ['bytes=1000-', 'outside'],
    ['bytes=5-2', 'outside'],
    ['bytes=-', null],
    ['bytes=0-1,5-6', null],
    ['lines=0-9', null],
    [undefined, null],
  ])('reads %s', (header, expected) => {
    expect(byteRange(header, 1000)).toEqual(expected)
  })
})
