import type { MediaView } from '../../contract/views.ts'

/** What is shown of the library. */
export interface MediaFilter {
  kind: MediaView['kind'] | 'all'
  words: string
  tag: string | null
}

/** Letters without accents and case, so that "pao" finds "pão". */
const folded = (text: string) => text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase()

/** The files that fit a filter: every word is found in the name or a tag. The newest first, then by name. Linear. */
export function filterMedia(files: readonly MediaView[], { kind, words, tag }: MediaFilter): MediaView[] {
  const asked = folded(words).split(/\s+/).filter(Boolean)
  return files
    .filter((file) => (kind === 'all' || file.kind === kind) && (tag === null || file.tags.includes(tag)))
    .filter((file) => {
      const text = folded([file.name, ...file.tags].join(' '))
      return asked.every((word) => text.includes(word))
    })
    .sort((a, b) => b.addedAtMs - a.addedAtMs || a.name.localeCompare(b.name))
}

/** All tags, the most used first. */
export function tagsOf(files: readonly MediaView[]): string[] {
  const counts = new Map<string, number>()
  for (const tag of files.flatMap((file) => file.tags)) counts.set(tag, (counts.get(tag) ?? 0) + 1)
  return [...counts].sort(([a, many], [b, more]) => more - many || a.localeCompare(b)).map(([tag]) => tag)
}
