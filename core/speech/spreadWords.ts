import type { SpokenWord } from './spoken.ts'

/** A stop in a text is heard as a pause of so many letters. */
const pauseLetters = 6

/**
 * Where an engine does not tell when its words begin: spread over what it said by their letters, stops as pauses. From
 * letter to letter (code points).
 */
export function spreadWords(text: string, durationMs: number): SpokenWord[] {
  const words: { from: number; to: number; weight: number; before: number }[] = []
  let at = 0
  let total = 0
  for (const piece of text.split(/(\s+)/u)) {
    const length = [...piece].length
    if (piece.trim() !== '') {
      const weight = length + 1 + (/[.,;:!?…]$/u.test(piece) ? pauseLetters : 0)
      words.push({ from: at, to: at + length, weight, before: total })
      total += weight
    }
    at += length
  }
  return words.map(({ from, to, before }) => ({
    from,
    to,
    atMs: Math.round((before / Math.max(1, total)) * durationMs),
  }))
}
