import { eld } from 'eld/medium'

/** So much likelier than the channel's own language another one has to be: names and three words say little. */
const marginLeast = 0.12

/**
 * The language that a message is in. Short ones, and those that may as well be in the channel's own, are taken for
 * that.
 * @param own the channel's language, as BCP 47's first part
 * @returns as BCP 47's first part
 */
export function guessLanguage(text: string, own: string): string {
  const found = eld.detect(text.slice(0, 500))
  if (!found.language || !found.isReliable()) return own
  const scores = found.getScores()
  return (scores[found.language] ?? 0) - (scores[own] ?? 0) >= marginLeast ? found.language : own
}
