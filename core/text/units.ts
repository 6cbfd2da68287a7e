import type { LetterMotion } from '../motion/letters.ts'
import { graphemes } from './graphemes.ts'
import type { TextLine } from './textLine.ts'
import { plainText } from './textPiece.ts'

/**
 * A stretch of a drawn text that moves as one: where it stands, in UTF-16 units of one piece of one line; `piece: null`
 * is a whole line.
 */
export interface TextUnit {
  line: number
  piece: number | null
  from: number
  to: number
}

/** Beyond this many letters a text moves by words, beyond as many words by lines: each moving stretch costs a layer. */
export const maxUnits = 60

/**
 * Cuts drawn lines into what moves one by one. Letters are graphemes: an emoji with its joiners, a base with its marks
 * stay whole, and joined scripts (Arabic) move by words, because their letters are one stroke. Blank stretches do not
 * count.
 */
export function cutUnits(lines: readonly TextLine[], unit: LetterMotion['unit']): TextUnit[] {
  const finest = { letter: byLetter, word: byWord, line: byLine }[unit](lines)
  if (finest.length <= maxUnits) return finest
  const coarser = unit === 'letter' ? byWord(lines) : byLine(lines)
  return coarser.length <= maxUnits ? coarser : byLine(lines)
}

const joined = /[\p{Script=Arabic}\p{Script=Syriac}\p{Script=Devanagari}\p{Script=Bengali}]/u

function byLetter(lines: readonly TextLine[]): TextUnit[] {
  return eachPiece(lines, (text) => (joined.test(text) ? words(text) : letters(text)))
}

function byWord(lines: readonly TextLine[]): TextUnit[] {
  return eachPiece(lines, words)
}

function byLine(lines: readonly TextLine[]): TextUnit[] {
  return lines.flatMap((each, line) => (plainText(each.pieces).trim() ? [{ line, piece: null, from: 0, to: 0 }] : []))
}

function eachPiece(lines: readonly TextLine[], cut: (text: string) => [from: number, to: number][]): TextUnit[] {
  return lines.flatMap((each, line) =>
    each.pieces.flatMap((piece, at) => cut(piece.text).map(([from, to]) => ({ line, piece: at, from, to }))),
  )
}

function letters(text: string): [number, number][] {
  const found: [number, number][] = []
  let from = 0
  for (const letter of graphemes(text)) {
    if (letter.trim()) found.push([from, from + letter.length])
    from += letter.length
  }
  return found
}

function words(text: string): [number, number][] {
  return [...text.matchAll(/\S+/gu)].map((word) => [word.index, word.index + word[0].length])
}
