import { graphemes } from '../../../text/graphemes.ts'

/**
 * Adults read about 15 letters a second silently (Brysbaert 2019: 238 words a minute); on a screen with a game behind
 * it less.
 */
const lettersPerS = 13
const leastMs = 1200

/** How long a message has to stand to be read, in milliseconds; 0 for none. Between two and sixty seconds. */
export function readingMs(text: string): number {
  if (text.trim() === '') return 0
  return Math.min(60_000, Math.round(leastMs + (graphemes(text).length / lettersPerS) * 1000))
}
