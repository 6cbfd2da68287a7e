/** Words as a sentence lists them: `a`, `a and b`, `a, b or c`. */
export const listedWords = (words: readonly string[], last: string): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1) ?? ''}`
