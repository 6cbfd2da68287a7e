import { describe, expect, it } from 'vitest'
import { fallbackFamiliesFor } from './fallbackFamilies.ts'

describe('fallbackFamiliesFor', () => {
  it.each([
    ['pip_rye 12', []],
    ['نورا_خبز', ['Noto Sans Arabic']],
    ['毛毛面包', ['Noto Sans JP']],
    ['🥐wisp', ['Noto Color Emoji']],
    ['שלום 🥐', ['Noto Sans Hebrew', 'Noto Color Emoji']],
  ])('knows what %s needs', (text, families) => expect(fallbackFamiliesFor(text)).toEqual(families))
})
