import type { Ruled } from '../core/rules/chosen.ts'
import type { Listener } from '../core/rules/fields.ts'
import type { Rule } from '../core/rules/schema.ts'

/** What the generated rules are asked of. */
export const resub: Listener = { kinds: ['resubscription'], offer: null }

/** Rules over four fields, seeded: ranges of months, tiers, streaks, words. */
export function generatedRules(count: number): Ruled[] {
  let state = 17
  const next = (below: number) => (state = (state * 48_271) % 0x7fff_ffff) % below
  return Array.from({ length: count }, (_, index): Ruled => {
    const from = next(400)
    const of: Rule['of'] = [{ field: 'months', is: 'between', from, to: from + next(60) }]
    if (next(2) === 0) of.push({ field: 'tier', is: 'oneOf', values: [String(1 + next(3))] })
    if (next(3) === 0) of.push({ field: 'streak', is: 'atLeast', value: next(100) })
    if (next(6) === 0) of.push({ field: 'message', is: 'contains', text: ['bread', 'rye', 'oven'][next(3)] ?? 'bread' })
    return { id: `v${index}`, share: null, rule: { match: 'all', of } }
  })
}
