/** Letters with how often each follows itself: "shiit" is s1 h1 i2 t1. */
export interface Runs {
  /** Each letter once in a row, one code point each. */
  letters: readonly string[]
  counts: readonly number[]
}

export function runsOf(word: string): Runs {
  const letters: string[] = []
  const counts: number[] = []
  for (const letter of word) {
    if (letters.at(-1) === letter) counts[counts.length - 1] = (counts.at(-1) ?? 0) + 1
    else {
      letters.push(letter)
      counts.push(1)
    }
  }
  return { letters, counts }
}
