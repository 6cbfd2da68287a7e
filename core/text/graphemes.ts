/** Letters, digits and signs of which none joins another. */
const plain = /^[\x20-\x7e]*$/
const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' })

/**
 * Cuts text into what a reader calls letters: an emoji with its joiners or a base with its marks stays whole. Linear.
 */
export function graphemes(text: string): string[] {
  // As most names are: there is nothing to keep together.
  if (plain.test(text)) return text.split('')
  return Array.from(segmenter.segment(text), (piece) => piece.segment)
}
