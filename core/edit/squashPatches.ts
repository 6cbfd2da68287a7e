import type { Patches } from 'mutative'

type Patch = Patches[number]

/** Whether a patch only sets a value: it moves no other place, as adding, removing and cutting a list short do. */
const onlySets = ({ op, path }: Patch) => op === 'replace' && path.at(-1) !== 'length'
const keyOf = ({ path }: Patch) => JSON.stringify(path)
/** The beginning of the keys of all places under one. */
const underneath = (key: string) => `${key.slice(0, -1)},`

/**
 * The same as some patches one after the other, but a place that is set again is set once, to its last value: a drag of
 * thirty parts sets sixty places, however long it takes. Where places may have moved in between, nothing is joined
 * across. Applied to a document that the patches fit, the result is the same (a property test).
 * Linear in the patches; where whole structures are set again, times the places that stand.
 */
export function squashPatches(patches: Patches): Patches {
  const kept = new Map<number, Patch>()
  /** The newest patch of each place since the last one that moved others. */
  let standing = new Map<string, number>()
  patches.forEach((patch, index) => {
    kept.set(index, patch)
    if (!onlySets(patch)) {
      standing = new Map()
      return
    }
    const key = keyOf(patch)
    const earlier = standing.get(key)
    if (earlier !== undefined) {
      // What was set inside of the value that goes, goes with it.
      if (typeof kept.get(earlier)?.value === 'object')
        for (const [other, at] of standing) if (other.startsWith(underneath(key))) kept.delete(at)
      kept.delete(earlier)
    }
    standing.set(key, index)
  })
  return [...kept.values()]
}
