/** The words of the first thing that is wrong with a field. */
export function firstError(errors: readonly unknown[]): string | undefined {
  const first = errors[0]
  if (typeof first === 'string') return first
  return typeof first === 'object' && first !== null && 'message' in first ? String(first.message) : undefined
}
