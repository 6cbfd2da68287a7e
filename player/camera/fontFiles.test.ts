import { describe, expect, it } from 'vitest'
import { spansOf } from './fontFiles.ts'

describe('the letters that a font file is for', () => {
  it('are read as style sheets write them', () => {
    expect(spansOf('U+0-FF, U+20AC')).toEqual([
      [0, 0xff],
      [0x20ac, 0x20ac],
    ])
    expect(spansOf('u+4??')).toEqual([[0x400, 0x4ff]])
  })
  it('are all where nothing is said that can be read', () => {
    expect(spansOf('')).toEqual([[0, 0x10ffff]])
    expect(spansOf('everything')).toEqual([[0, 0x10ffff]])
  })
})
