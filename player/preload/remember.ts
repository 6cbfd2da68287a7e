/**
 * Wraps a loader so that what was loaded lately is at hand. A failure is not remembered: the next try loads again.
 * @param limit how many results are kept; the longest unused goes first.
 */
export function rememberLately<T>(load: (key: string) => Promise<T>, limit: number): (key: string) => Promise<T> {
  const kept = new Map<string, Promise<T>>()
  return (key) => {
    const loading = kept.get(key) ?? load(key)
    kept.delete(key)
    kept.set(key, loading)
    loading.catch(() => kept.delete(key))
    for (const oldest of kept.keys()) {
      if (kept.size <= limit) break
      kept.delete(oldest)
    }
    return loading
  }
}
