/** A language's own list of what a voice must not say. How its lines are written: `readWordList`. */
export interface WordList {
  /** BCP 47's first part. */
  language: string
  /** What `+` behind a stem stands for. */
  endings: readonly string[]
  lines: string
  /** Entries of the public list that are everyday words: not blocked. */
  everyday: readonly string[]
  /** Entries of the public list that are crude at worst: blocked where a channel is strict. */
  mild: readonly string[]
}
