import { describe, expect, it } from 'vitest'
import type { MediaView } from '../../contract/views.ts'
import { filterMedia, tagsOf } from './sorting.ts'

const file = (name: string, changes: Partial<MediaView> = {}) =>
  ({ name, kind: 'picture', tags: [], addedAtMs: 0, ...changes }) as unknown as MediaView
const files = [
  file('Pão quente', { tags: ['bread', 'ready'] }),
  file('Bell', { kind: 'sound', tags: ['ready'] }),
  file('Bread bell', { addedAtMs: 5 }),
]
const found = (filter: Partial<Parameters<typeof filterMedia>[1]>) =>
  filterMedia(files, { kind: 'all', words: '', tag: null, ...filter }).map((each) => each.name)

describe('looking through the library', () => {
  it('shows the newest first', () => expect(found({})).toEqual(['Bread bell', 'Bell', 'Pão quente']))
  it('finds words in names and tags, in any order, without accents', () => {
    expect(found({ words: 'PAO' })).toEqual(['Pão quente'])
    expect(found({ words: 'bread quente' })).toEqual(['Pão quente'])
    expect(found({ words: 'bread' })).toEqual(['Bread bell', 'Pão quente'])
    expect(found({ words: 'loaf' })).toEqual([])
  })
  it('keeps to a kind and a tag', () => {
    expect(found({ kind: 'sound' })).toEqual(['Bell'])
    expect(found({ tag: 'ready', kind: 'picture' })).toEqual(['Pão quente'])
  })
  it('offers the tags that are used most', () => expect(tagsOf(files)).toEqual(['ready', 'bread']))
})
