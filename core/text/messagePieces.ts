import { onOneLine } from './fillTemplate.ts'
import type { TextPiece } from './textPiece.ts'

/** Where the platform says that a word of a message is a picture: UTF-16 units, `to` is the first unit behind it. */
export interface EmoteSpan {
  from: number
  to: number
  url: string
}

/**
 * A viewer's message as pieces: words, and emotes in their places. Spans that are empty, overlap an earlier one or
 * reach beyond the text are left as words: nothing of the message is ever lost.
 */
export function messagePieces(text: string, emotes: readonly EmoteSpan[] = []): TextPiece[] {
  const pieces: TextPiece[] = []
  let at = 0
  for (const emote of [...emotes].sort((a, b) => a.from - b.from)) {
    if (emote.from < at || emote.to <= emote.from || emote.to > text.length) continue
    if (emote.from > at) pieces.push({ text: text.slice(at, emote.from), isValue: true })
    pieces.push({ text: text.slice(emote.from, emote.to), isValue: true, emoteUrl: emote.url })
    at = emote.to
  }
  if (at < text.length) pieces.push({ text: text.slice(at), isValue: true })
  return pieces.map((piece) => (piece.emoteUrl ? piece : { ...piece, text: piece.text.replace(/\s+/g, ' ') }))
}

/** Filled words in which a viewer's message stands: its emotes are pictures there, too. */
export function withEmotes(
  pieces: readonly TextPiece[],
  message: { text: string; emotes: readonly EmoteSpan[] } | null,
): TextPiece[] {
  if (!message || message.emotes.length === 0) return [...pieces]
  const written = onOneLine(message.text)
  return pieces.flatMap((piece) =>
    piece.isValue && piece.text === written ? messagePieces(message.text, message.emotes) : [piece],
  )
}
