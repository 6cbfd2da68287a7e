const key = 'thundercrest.shown'
const limit = 200

/** Which plays this page has begun to show. Survives a reload, so that nothing plays twice. */
export interface ShownMemory {
  ids(): string[]
  has(playId: string): boolean
  add(playId: string): void
}

export function createShownMemory(storage: Storage | null): ShownMemory {
  let shown: string[] = read(storage)
  return {
    ids: () => shown,
    has: (playId) => shown.includes(playId),
    add(playId) {
      shown = [...shown.filter((id) => id !== playId), playId].slice(-limit)
      try {
        storage?.setItem(key, JSON.stringify(shown))
      } catch {
        // A full or forbidden storage costs only the memory over a reload.
      }
    },
  }
}

function read(storage: Storage | null): string[] {
  try {
    const kept: unknown = JSON.parse(storage?.getItem(key) ?? '[]')
    return Array.isArray(kept) ? kept.filter((id) => typeof id === 'string').slice(-limit) : []
  } catch {
    return []
  }
}
