/** Keeps what was put in last: what went in first goes while there are more than `most`. */
export function dropOldest<K>(kept: Map<K, unknown> | Set<K>, most: number): void {
  for (const oldest of kept.keys()) {
    if (kept.size <= most) break
    kept.delete(oldest)
  }
}
