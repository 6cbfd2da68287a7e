/**
 * Whether two pieces of plain JSON say the same. The order of fields says nothing (a database keeps its own); a field
 * that is undefined is none. Linear in the smaller of the two.
 */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
    return Number.isNaN(a) && Number.isNaN(b)
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((each, index) => isSame(each, b[index]))
    )
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return (
    countOf(one) === countOf(other) &&
    Object.entries(one).every(
      ([field, value]) => value === undefined || (Object.hasOwn(other, field) && isSame(value, other[field])),
    )
  )
}

const countOf = (record: Record<string, unknown>) => Object.values(record).filter((value) => value !== undefined).length
