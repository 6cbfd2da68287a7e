/** A text as CSS writes it in quotes: whatever is in it stays text (CSS Syntax Level 3 § 4.3.5, § 4.3.7). */
export const cssString = (text: string): string =>
  // eslint-disable-next-line no-control-regex
  `"${text.replaceAll(/["\\<\u0000-\u001F\u007F]/g, (letter) => `\\${(letter.codePointAt(0) || 0xfffd).toString(16)} `)}"`
