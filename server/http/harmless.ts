/** A text for a cell of a table: what a table program would take for a formula is words. */
export const harmless = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
