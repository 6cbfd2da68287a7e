/**
 * Whether a text begins as an SVG does, after whatever may stand before it. One pass: a comment that does not end ends the
 * search, however often it begins.
 */
export function startsAsSvg(text: string): boolean {
  let at = 0
  const skipTo = (mark: string): boolean => {
    const end = text.indexOf(mark, at)
    if (end < 0) return false
    at = end + mark.length
    return true
  }
  for (;;) {
    while (at < text.length && /[\s\ufeff]/.test(text.charAt(at))) at += 1
    if (text.startsWith('<?', at)) {
      if (!skipTo('?>')) return false
    } else if (text.startsWith('<!--', at)) {
      if (!skipTo('-->')) return false
    } else if (text.slice(at, at + 9).toUpperCase() === '<!DOCTYPE') {
      return /^\s+svg\b/i.test(text.slice(at + 9, at + 60))
    } else return /^<(?:[\w-]{1,60}:)?svg[\s/>]/i.test(text.slice(at, at + 80))
  }
}
