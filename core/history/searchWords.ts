/** Combining marks of the Latin, Greek and Cyrillic alphabets. */
const marks = /[\u0300-\u036f]/g
/** Scripts that put no space between words, and pictures: each sign is a word. */
const alone =
  /[\u0e00-\u0eff\u1000-\u109f\u1780-\u17ff\u2190-\u2bff\u3040-\u30ff\u3400-\u4dbf\u4e00-\u9fff\u{1f000}-\u{1faff}\u{20000}-\u{3ffff}]/gu
const isAlone = new RegExp(`^${alone.source}$`, 'u')
// eslint-disable-next-line no-control-regex, no-misleading-character-class -- whatever is neither letter nor figure parts words
const between = /[\u0001-/:-@[-`{-\u00bf\u2000-\u206f\u2e00-\u2e7f\u3000-\u303f\ufe00-\ufe0f]+/u
const wordMost = 80

/**
 * The words of a text as they are looked for: without accents (Unicode NFKD), without regard to case, so that “zoe” finds
 * “Zoë”; signs of scripts without spaces, and emoji, each by itself. What the index of the history holds is made by the
 * same steps.
 */
export function searchWords(text: string): string[] {
  const folded = text.normalize('NFKD').replace(marks, '').toLowerCase().replaceAll('ς', 'σ')
  const words = folded
    .replace(alone, ' $& ')
    .split(between)
    .filter((word) => word !== '')
    .map((word) => Array.from(word).slice(0, wordMost).join(''))
  return [...new Set(words)]
}

/** So many words are looked for at once. */
const askedMost = 12

/**
 * What is asked of the index for words that somebody typed: all of them, each from its beginning.
 * @returns PostgreSQL's text form of a tsquery; null where nothing in it is a word
 */
export function searchQuery(text: string): string | null {
  const words = searchWords(text).slice(0, askedMost)
  if (words.length === 0) return null
  return words.map((word) => `'${word.replace(/['\\]/g, '$&$&')}'${isAlone.test(word) ? '' : ':*'}`).join(' & ')
}
