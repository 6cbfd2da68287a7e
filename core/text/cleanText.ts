// Every control character (general category Cc) but tab and line feed.
const CONTROLS = /(?![\t\n])\p{Cc}/gu
const LONE_SURROGATES = /\p{Surrogate}/gu

/**
 * Makes text from outside safe to store and draw without changing what a reader sees: control characters
 * (which a database refuses and a font cannot draw) go, halves of a surrogate pair become U+FFFD.
 */
export function cleanText(text: string): string {
  return text.replace(CONTROLS, '').replace(LONE_SURROGATES, '\uFFFD')
}
