/** How much is kept of what was loaded, and how it is given back. */
export interface Room<T> {
  /** More than so many bytes are not kept, but for what was asked for last. */
  bytesMost: number
  /** How much room one takes, about. */
  bytesOf(loaded: T): number
  /** Gives back what would otherwise wait for the browser to tidy up; absent: nothing would. */
  giveBack?(loaded: T): void
}

/** What was asked for so lately may just be on its way to be shown. */
const onItsWayMs = 30_000

interface Kept<T> {
  loading: Promise<T>
  /** Null while it is on its way. */
  loaded: T | null
  bytes: number
  askedMs: number
}

/** What must not be given back, because it is shown; told by pages that give anything back at all. */
let isShown: ((loaded: unknown) => boolean) | null = null

/**
 * From now on what no room is kept for is given back at once, unless it is shown: for pages that play one thing after another
 * for days. Elsewhere it is left to the browser, which knows who still holds it.
 */
export function giveBackUnless(shown: (loaded: unknown) => boolean): void {
  isShown = shown
}

/**
 * Wraps a loader so that what was loaded lately is at hand, within so much room. A failure is not remembered: the next try loads
 * again. The longest unused goes first. Each call costs what goes.
 * @param nowMs a clock that never goes back
 */
export function rememberLately<T>(
  load: (key: string) => Promise<T>,
  { bytesMost, bytesOf, giveBack }: Room<T>,
  nowMs: () => number = () => performance.now(),
): (key: string) => Promise<T> {
  const kept = new Map<string, Kept<T>>()
  /** Out of the room, and not given back yet. */
  let leaving: Kept<T>[] = []
  let bytes = 0

  const forget = (key: string, one: Kept<T>) => {
    if (kept.get(key) !== one) return
    kept.delete(key)
    bytes -= one.bytes
  }
  const tidy = () => {
    for (const [key, one] of kept) {
      if (bytes <= bytesMost || kept.size === 1) break
      // What is on its way takes no room yet.
      if (one.loaded === null) continue
      forget(key, one)
      if (giveBack) leaving.push(one)
    }
    if (!isShown || leaving.length === 0) {
      leaving = []
      return
    }
    const now = nowMs()
    const shown = isShown
    leaving = leaving.filter((one) => {
      if (one.loaded === null || now - one.askedMs < onItsWayMs || shown(one.loaded)) return true
      giveBack?.(one.loaded)
      return false
    })
  }
  return (key) => {
    const known = kept.get(key)
    const one: Kept<T> = known ?? { loading: load(key), loaded: null, bytes: 0, askedMs: 0 }
    one.askedMs = nowMs()
    kept.delete(key)
    kept.set(key, one)
    if (known) return one.loading
    one.loading.then(
      (loaded) => {
        one.loaded = loaded
        one.bytes = bytesOf(loaded)
        if (kept.get(key) === one) bytes += one.bytes
        tidy()
      },
      () => forget(key, one),
    )
    return one.loading
  }
}

/** A room for so many things of one size. */
export const places = <T>(count: number): Room<T> => ({ bytesMost: count, bytesOf: () => 1 })
