/** Texts that are folded already: most names of things that rules are asked for. */
const plain = /^[a-z0-9 _.,!?-]*$/

/**
 * A text as it is compared: composed (Unicode NFC) and without regard to case, so that “Crème” is “CRÈME” however its
 * accent was typed, and “Straße” is “STRASSE”. Full case folding by way of capitals; final sigma is sigma. Accents
 * count.
 */
export function foldCase(text: string): string {
  if (plain.test(text)) return text
  return text.normalize('NFC').toUpperCase().toLowerCase().replaceAll('ς', 'σ').normalize('NFC')
}
