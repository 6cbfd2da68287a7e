const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' })

/**
 * Cuts text into what a reader calls letters: an emoji with its joiners or a base with its marks stays whole. Linear.
 */
export function graphemes(text: string): string[] {
  return Array.from(segmenter.segment(text), (piece) => piece.segment)
}
