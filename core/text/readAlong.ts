/**
 * A word of a text: from one letter to before another, blanks not counted, so that it is found again however the text
 * is broken into lines.
 */
export interface ReadWord {
  from: number
  to: number
  /** On the score's clock. */
  atMs: number
}

export interface ResolvedReadAlong {
  ink: string
  keeps: boolean
  /** In order of time. A word that is read until the next, the last until `untilMs`. */
  words: ReadWord[]
  untilMs: number
}

/** Which words of a text are lit, as their places in `words`: from one to before another. */
export type LitWords = readonly [from: number, to: number]

/** The lit words at a moment. Logarithmic in the words. */
export function litAt({ words, keeps, untilMs }: ResolvedReadAlong, tMs: number): LitWords {
  if (!keeps && tMs >= untilMs) return [0, 0]
  let [low, high] = [0, words.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((words[middle]?.atMs ?? 0) <= tMs) low = middle + 1
    else high = middle
  }
  return keeps ? [0, low] : [Math.max(0, low - 1), low]
}
