import type { Rule, Share } from './schema.ts'
import type { Condition, Known } from './search.ts'

/** A variation as coverage sees it. */
export interface Ruled {
  id: string
  rule: Rule | null
  share: Share | null
}

/**
 * Where one variation can be chosen, as `choose` decides it: the first whose rule holds wins; where that one shares,
 * all of its group that hold may be drawn.
 * @param holds where the rule of each variation holds, in their order
 */
export function chosenWhere(variations: readonly Ruled[], holds: readonly Condition[], index: number): Condition {
  const own = holds[index] ?? (() => false)
  const group = variations[index]?.share?.group ?? null
  const isOfGroup = (at: number) => at === index || (group !== null && variations[at]?.share?.group === group)
  // Whoever comes behind the variation itself decides nothing any more.
  const asked = holds.slice(0, index + 1)
  return (decided) => {
    const isOwn = own(decided)
    if (isOwn === false) return false
    let mayWin = false
    let mayLose = false
    for (const [at, condition] of asked.entries()) {
      const known: Known = at === index ? isOwn : condition(decided)
      if (known === false) continue
      if (isOfGroup(at)) {
        if (known && !mayLose) return isOwn
        if (known) return null
        mayWin = true
      } else {
        if (known && !mayWin) return false
        if (known) return null
        mayLose = true
      }
    }
    return mayWin ? null : false
  }
}
