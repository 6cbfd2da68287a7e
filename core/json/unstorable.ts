import { cleanText } from '../text/cleanText.ts'

const isFine = (text: string) => !text.includes('\0') && !/\p{Surrogate}/u.test(text)

/**
 * Where in a value there are characters that no database keeps as text: NUL, halves of a surrogate pair. Keys count too. Without
 * recursion.
 * @returns the way to the first, or null
 */
export function findUnstorable(root: unknown): (string | number)[] | null {
  const waiting: { value: unknown; path: (string | number)[] }[] = [{ value: root, path: [] }]
  while (waiting.length > 0) {
    const { value, path } = waiting.pop() ?? { value: null, path: [] }
    if (typeof value === 'string' && !isFine(value)) return path
    if (typeof value !== 'object' || value === null) continue
    if (Array.isArray(value)) value.forEach((each, index) => waiting.push({ value: each, path: [...path, index] }))
    else
      for (const [key, each] of Object.entries(value)) {
        if (!isFine(key)) return [...path, cleanText(key)]
        waiting.push({ value: each, path: [...path, key] })
      }
  }
  return null
}

/** The same value with all its texts cleaned; see `cleanText`. What needs no cleaning is not copied. Depth is expected to be bounded. */
export function cleanedDeep<T>(value: T): T {
  if (findUnstorable(value) === null) return value
  return clean(value) as T
}

function clean(value: unknown): unknown {
  if (typeof value === 'string') return cleanText(value)
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) return value.map(clean)
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [cleanText(key), clean(each)]))
}
