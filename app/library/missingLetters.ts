/** Typefaces of the interface: no letter is as wide in all of them as in yet another. */
const standIns = ['"Martian Mono Variable"', '"Instrument Sans Variable"', '"Bricolage Grotesque Variable"']

/**
 * The letters that a typeface has no form for, as this browser draws them: those that are exactly as wide as what
 * stands in for them, whichever stands in. The typeface must be known to the page.
 */
export async function missingLetters(family: string, weight: number, letters: string): Promise<string> {
  await Promise.all(
    [`${weight} 40px "${family}"`, ...standIns.map((each) => `40px ${each}`)].map((font) =>
      document.fonts.load(font, letters),
    ),
  )
  const context = new OffscreenCanvas(1, 1).getContext('2d')
  if (!context) return ''
  const widthIn = (font: string, letter: string) => {
    context.font = font
    return context.measureText(letter).width
  }
  return [...letters]
    .filter((letter) =>
      standIns.every(
        (standIn) =>
          widthIn(`${weight} 40px "${family}", ${standIn}`, letter) === widthIn(`${weight} 40px ${standIn}`, letter),
      ),
    )
    .join('')
}
