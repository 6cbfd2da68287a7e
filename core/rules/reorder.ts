import { coverageOf, type Ruled } from './coverage.ts'
import type { Listener } from './fields.ts'

/** A move that lets a hidden variation play. */
export interface OrderAdvice {
  id: string
  /** Before whom it is put. */
  before: string
}

const hiddenSize = (state: string) => (state === 'unreachable' ? 2 : state === 'shadowed' ? 1 : 0)

/**
 * For each variation that others hide: the place in the order at which it plays, where there is one at which nobody
 * else becomes unreachable. Cubic in the number of variations: it computes the coverage for each place that is tried.
 */
export function orderAdvice(listener: Listener, variations: readonly Ruled[]): OrderAdvice[] {
  const now = coverageOf(listener, variations).variations
  return now.flatMap(({ id, state, by }) => {
    const before = by[0]
    if (state === 'open' || before === undefined) return []
    const moved = movedBefore(variations, id, before)
    const then = coverageOf(listener, moved).variations
    const isBetter = hiddenSize(then.find((each) => each.id === id)?.state ?? '') < hiddenSize(state)
    const hurtsNobody = then.every(
      (each) =>
        each.id === id ||
        each.state !== 'unreachable' ||
        now.find((old) => old.id === each.id)?.state === 'unreachable',
    )
    return isBetter && hurtsNobody ? [{ id, before }] : []
  })
}

/** The same in another order. */
export function movedBefore<V extends { id: string }>(variations: readonly V[], id: string, before: string): V[] {
  const moved = variations.find((each) => each.id === id)
  const rest = variations.filter((each) => each.id !== id)
  const at = rest.findIndex((each) => each.id === before)
  return moved && at >= 0 ? [...rest.slice(0, at), moved, ...rest.slice(at)] : [...variations]
}
