import type { Ruled } from './chosen.ts'
import { coverageOf, statesOf, type Coverage } from './coverage.ts'
import type { Listener } from './fields.ts'

/** A move that lets a hidden variation play. */
export interface OrderAdvice {
  id: string
  /** Before whom it is put. */
  before: string
}

const hiddenSize: Record<string, number> = { unreachable: 2, shadowed: 1 }
/** Trying a place costs a coverage; an alert in which very many are hidden is mended from the top. */
const triedMax = 12

/**
 * For each variation that others hide: the place in the order at which it plays, where there is one at which nobody
 * else becomes unreachable. What becomes of each in another order is searched for; a dozen places are tried at most.
 */
export function orderAdvice(
  listener: Listener,
  variations: readonly Ruled[],
  { variations: now }: Pick<Coverage, 'variations'> = coverageOf(listener, variations),
): OrderAdvice[] {
  const hidden = now.filter(({ state }) => state === 'unreachable' || state === 'shadowed')
  return hidden.slice(0, triedMax).flatMap(({ id, state, by }) => {
    const before = by[0]
    if (before === undefined) return []
    const moved = movedBefore(variations, id, before)
    const then = statesOf(listener, moved)
    const sizeOf = (of: string | undefined) => hiddenSize[of ?? ''] ?? 0
    const isBetter = sizeOf(then.find((each) => each.id === id)?.state) < sizeOf(state)
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
