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

/** A stretch of a text: UTF-16 units, `to` is the first unit behind it. */
interface Span {
  from: number
  to: number
}

/** Cleans a text and moves places in it along: what went before a place moves it towards the beginning. */
export function cleanMarkedText<S extends Span>(text: string, spans: readonly S[]): { text: string; spans: S[] } {
  const gone = [...text.matchAll(CONTROLS)].map(({ index }) => index)
  const moved = (place: number) => place - gone.filter((at) => at < place).length
  return {
    text: cleanText(text),
    spans:
      gone.length === 0 ? [...spans] : spans.map((span) => ({ ...span, from: moved(span.from), to: moved(span.to) })),
  }
}
