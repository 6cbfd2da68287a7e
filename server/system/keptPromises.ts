/**
 * Answers that are asked for once and kept, by key. Whoever asks meanwhile waits for the same answer. One that failed is
 * never kept: it is asked for again.
 */
export class KeptPromises<K, V> {
  private readonly kept = new Map<K, Promise<V>>()

  /** @param ask is only called where nothing is kept */
  get(key: K, ask: () => Promise<V>): Promise<V> {
    const known = this.kept.get(key)
    if (known) return known
    const asked = ask()
    this.kept.set(key, asked)
    // Only itself: what was asked for after it was forgotten stays.
    asked.catch(() => this.kept.get(key) === asked && this.kept.delete(key))
    return asked
  }

  has(key: K): boolean {
    return this.kept.has(key)
  }

  forget(key: K): void {
    this.kept.delete(key)
  }

  clear(): void {
    this.kept.clear()
  }
}
