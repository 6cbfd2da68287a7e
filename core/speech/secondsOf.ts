const lettersPerSecond = 14
const figureSeconds = 0.38
const emojiSeconds = 0.9

/** How long a voice will take for a text, by its letters: an estimate, before the voice itself is measured. */
export function secondsOf(text: string): number {
  const figures = text.match(/\p{Nd}/gu)?.length ?? 0
  const emoji = text.match(/\p{Extended_Pictographic}/gu)?.length ?? 0
  return figures * figureSeconds + emoji * emojiSeconds + (text.length - figures) / lettersPerSecond
}
