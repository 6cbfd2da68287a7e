/** A word that was said, and when it begins. */
export interface SaidWord {
  text: string
  atMs: number
}

const bare = (word: string) =>
  word
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '')

/** More words are not lit one by one: a voice says a hundred at most. */
const comparedMost = 400

/**
 * When each written word is said. What is said was cleaned and may be pronounced otherwise, so the two texts are laid
 * beside each other by the longest row of words that both have (Hirschberg 1975); between two that match, written words
 * share the time of what is said there, and where nothing is said in between they are not read at all. Cost: written ×
 * said words.
 * @returns a moment for each written word, null for those that are not read; never earlier than the one before
 */
export function alignWords(written: readonly string[], said: readonly SaidWord[]): (number | null)[] {
  const a = written.slice(0, comparedMost).map(bare)
  const b = said.slice(0, comparedMost)
  const c = b.map(({ text }) => bare(text))
  const isSame = (i: number, j: number) => a[i] !== '' && a[i] === c[j]
  const width = c.length + 1
  const longest = new Uint16Array((a.length + 1) * width)
  for (let i = a.length - 1; i >= 0; i--) {
    for (let j = c.length - 1; j >= 0; j--) {
      longest[i * width + j] = isSame(i, j)
        ? (longest[(i + 1) * width + j + 1] ?? 0) + 1
        : Math.max(longest[(i + 1) * width + j] ?? 0, longest[i * width + j + 1] ?? 0)
    }
  }
  const times: (number | null)[] = written.map(() => null)
  let [i, j] = [0, 0]
  let gap: [number, number] = [0, 0]
  const share = (toI: number, toJ: number) => {
    const [fromI, fromJ] = gap
    if (toJ > fromJ)
      for (let at = fromI; at < toI; at++)
        times[at] = b[fromJ + Math.floor(((at - fromI) * (toJ - fromJ)) / (toI - fromI))]?.atMs ?? null
  }
  while (i < a.length && j < c.length) {
    if (isSame(i, j)) {
      share(i, j)
      times[i] = b[j]?.atMs ?? null
      gap = [++i, ++j]
    } else if ((longest[(i + 1) * width + j] ?? 0) >= (longest[i * width + j + 1] ?? 0)) i++
    else j++
  }
  // With nothing in common at all the two are different texts, and none of it is read.
  if (times.some((time) => time !== null)) share(a.length, c.length)
  return times
}
