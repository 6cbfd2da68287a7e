// Decisions a second among many variations, and what the coverage of a hundred rules costs.
import { chooseVariation } from '../core/rules/choose.ts'
import { coverageOf, type Ruled } from '../core/rules/coverage.ts'
import type { Rule } from '../core/rules/schema.ts'
import { report } from './report.ts'

/** Rules over four fields, seeded: ranges of months, tiers, streaks, words. */
function rulesOf(count: number): Ruled[] {
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

/** The same question as plain functions that know the fields: what any general engine would have to beat. */
const asFunctions = (rules: readonly Ruled[]) => rules.map(({ id, rule }) => ({ id, holds: new Function('v', `return ${(rule?.of ?? []).map((term) => codeOf(term as never)).join(' && ')}`) as (values: object) => boolean }))
function codeOf(term: { field: string; is: string; from?: number; to?: number; value?: number; values?: string[]; text?: string }): string {
  if (term.is === 'between') return `v.${term.field} >= ${term.from} && v.${term.field} <= ${term.to}`
  if (term.is === 'atLeast') return `v.${term.field} >= ${term.value}`
  if (term.is === 'oneOf') return `${JSON.stringify(term.values)}.includes(v.${term.field})`
  return `v.${term.field}.toLowerCase().includes(${JSON.stringify(term.text)})`
}

function perSecond(act: (index: number) => void): number {
  for (let index = 0; index < 2000; index++) act(index)
  const startedMs = performance.now()
  let count = 0
  while (performance.now() - startedMs < 1000) for (let index = 0; index < 100; index++) act(count++)
  return (count * 1000) / (performance.now() - startedMs)
}

const events = Array.from({ length: 997 }, (_, index) => ({ months: (index * 37) % 500, tier: String(1 + (index % 3)), streak: (index * 7) % 120, message: index % 4 === 0 ? 'the rye bread' : 'good evening' }))
const measured = []
for (const count of [10, 100, 1000]) {
  const rules = rulesOf(count)
  const functions = asFunctions(rules)
  const ours = perSecond((index) => chooseVariation(rules, events[index % events.length] ?? {}, 'event'))
  const bare = perSecond((index) => functions.find(({ holds }) => holds(events[index % events.length] ?? {})))
  measured.push({ what: `${count} variations`, figures: { 'decisions a second': Math.round(ours).toLocaleString('en'), 'compiled functions': Math.round(bare).toLocaleString('en') } })
}
for (const count of [10, 30, 100]) {
  const rules = rulesOf(count)
  coverageOf(resub, rules)
  const startedMs = performance.now()
  const { variations } = coverageOf(resub, rules)
  const tookMs = performance.now() - startedMs
  measured.push({ what: `coverage of ${count} rules over 4 fields`, figures: { took: `${tookMs.toFixed(1)} ms`, boxes: variations.reduce((sum, { plays }) => sum + plays.length, 0) } })
}
report('rules', measured)
