/** A word that the simulated platform shows as a picture. */
export interface SimulatedEmote {
  word: string
  /** In the address itself: nothing has to be fetched for it. */
  url: string
}

const drawn = (shapes: string) =>
  `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32">${shapes}</svg>`)}`

/** The emotes of the bakery on Alder. */
export const emotes: readonly SimulatedEmote[] = [
  {
    word: 'warmLoaf',
    url: drawn(
      '<path fill="#b86b2c" d="M3 20c0-8 5-12 13-12s13 4 13 12c0 5-3 6-13 6S3 25 3 20z"/><path fill="none" stroke="#f6d9a8" stroke-width="2" stroke-linecap="round" d="m10 14 3 4m3-6 3 4m3-3 3 4"/>',
    ),
  },
  {
    word: 'hotOven',
    url: drawn(
      '<rect width="28" height="26" x="2" y="3" fill="#4a4f5c" rx="3"/><path fill="#20242e" d="M6 14h20v11H6z"/><path fill="#ff8a2b" d="M11 25c-2-5 3-5 3-9 4 2 2 4 4 5 1-1 1-2 1-3 4 3 3 6 2 7z"/><circle cx="9" cy="8" r="2" fill="#c9d2e0"/><circle cx="16" cy="8" r="2" fill="#c9d2e0"/>',
    ),
  },
  {
    word: 'flourPuff',
    url: drawn(
      '<g fill="#f4f1ea" stroke="#b9b3a4"><circle cx="11" cy="18" r="7"/><circle cx="21" cy="18" r="7"/><circle cx="16" cy="12" r="7"/></g>',
    ),
  },
  {
    word: 'goldCrust',
    url: drawn(
      '<circle cx="16" cy="17" r="12" fill="#d99a1c"/><path fill="none" stroke="#fff3c4" stroke-width="2" d="M9 13c4-3 10-3 14 0M8 19c5-3 11-3 16 0"/><path fill="#fff3c4" d="m25 3 1 3 3 1-3 1-1 3-1-3-3-1 3-1z"/>',
    ),
  },
]

const byWord = new Map(emotes.map((each) => [each.word, each]))

/** Where a line has emotes: words that stand alone. UTF-16 units. */
export function emotesIn(text: string): { from: number; to: number; url: string }[] {
  return [...text.matchAll(/\S+/gu)].flatMap(({ 0: word, index: from }) => {
    const emote = byWord.get(word)
    return emote ? [{ from, to: from + word.length, url: emote.url }] : []
  })
}
