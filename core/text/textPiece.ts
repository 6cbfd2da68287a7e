/**
 * A run of text in one style. `isValue` marks what came from the event: drawn in the highlight style, isolated in
 * direction. A piece with `emoteUrl` is drawn as that picture, one letter wide; its text stands for it where pictures
 * cannot.
 */
export interface TextPiece {
  text: string
  isValue: boolean
  emoteUrl?: string
}

/** What a text says, as plain letters. */
export function plainText(pieces: readonly TextPiece[]): string {
  return pieces.map((piece) => piece.text).join('')
}
