import { graphemes } from './graphemes.ts'
import type { TextPiece } from './textPiece.ts'

/** What is never broken inside: a word, a blank, an emote, or a letter of a script that breaks anywhere. */
export interface Token {
  piece: TextPiece
  isBlank: boolean
}

const breaksAnywhere = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u

/** Cuts pieces at every place where a line may end. Loses nothing: the tokens side by side are the pieces. */
export function tokensOf(pieces: readonly TextPiece[]): Token[] {
  return pieces.flatMap((piece) => {
    if (piece.emoteUrl) return [{ piece, isBlank: false }]
    return [...piece.text.matchAll(/\s+|\S+/gu)].flatMap(([text]): Token[] => {
      if (/^\s/u.test(text)) return [{ piece: { ...piece, text }, isBlank: true }]
      if (!breaksAnywhere.test(text)) return [{ piece: { ...piece, text }, isBlank: false }]
      return graphemes(text).map((letter) => ({ piece: { ...piece, text: letter }, isBlank: false }))
    })
  })
}

/**
 * Cuts tokens that are wider than a line, between letters, so that every token fits.
 * @param widths the tokens' widths
 */
export function cutWideTokens(
  tokens: readonly Token[],
  widths: readonly number[],
  maxWidthPx: number,
): { tokens: Token[]; widths: number[] } {
  const cut: { tokens: Token[]; widths: number[] } = { tokens: [], widths: [] }
  for (const [index, token] of tokens.entries()) {
    const widthPx = widths[index] ?? 0
    const letters = widthPx > maxWidthPx && !token.piece.emoteUrl ? graphemes(token.piece.text) : []
    if (letters.length < 2) {
      cut.tokens.push(token)
      cut.widths.push(widthPx)
      continue
    }
    for (const letter of letters) {
      cut.tokens.push({ piece: { ...token.piece, text: letter }, isBlank: false })
      cut.widths.push(widthPx / letters.length)
    }
  }
  return cut
}

/**
 * Breaks tokens into lines, each as full as it gets. Blanks at the ends of lines fall away. Linear.
 * @returns for each line, the first token and the one behind the last
 */
export function greedyLines(
  tokens: readonly Token[],
  widths: readonly number[],
  maxWidthPx: number,
): [from: number, to: number][] {
  const lines: [number, number][] = []
  let from = 0
  let widthPx = 0
  for (let index = 0; index < tokens.length; index++) {
    const isBlank = tokens[index]?.isBlank ?? false
    if (index === from && isBlank) {
      from++
      continue
    }
    const ownPx = widths[index] ?? 0
    if (!isBlank && index > from && widthPx + ownPx > maxWidthPx) {
      lines.push([from, index])
      from = index
      widthPx = 0
    }
    widthPx += ownPx
  }
  if (from < tokens.length) lines.push([from, tokens.length])
  return lines.map(([start, end]) => {
    let last = end
    while (last > start && tokens[last - 1]?.isBlank) last--
    return [start, last]
  })
}

/** The tokens of a line as pieces again, neighbours of one style joined. */
export function piecesOf(tokens: readonly Token[], [from, to]: readonly [number, number]): TextPiece[] {
  const pieces: TextPiece[] = []
  for (const { piece } of tokens.slice(from, to)) {
    const previous = pieces.at(-1)
    if (previous && !previous.emoteUrl && !piece.emoteUrl && previous.isValue === piece.isValue)
      previous.text += piece.text
    else pieces.push({ ...piece })
  }
  return pieces
}
