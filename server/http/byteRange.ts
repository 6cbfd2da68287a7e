/**
 * The bytes that a `Range` header asks for (RFC 9110 § 14), first and last; null for the whole; `outside` when there
 * are no such bytes.
 */
export function byteRange(
  header: string | undefined,
  size: number,
): { first: number; last: number } | 'outside' | null {
  const match = /^bytes=(\d*)-(\d*)$/.exec(header ?? '')
  // What is not understood, and lists of ranges, may be answered with the whole.
  if (!match || (match[1] === '' && match[2] === '')) return null
  const [, from = '', to = ''] = match
  const first = from === '' ? Math.max(0, size - Number(to)) : Number(from)
  const last = from === '' || to === '' ? size - 1 : Math.min(size - 1, Number(to))
  return first > last || first >= size ? 'outside' : { first, last }
}
