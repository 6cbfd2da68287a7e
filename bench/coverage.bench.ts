// What it takes to know exactly which variation plays where, and how much brute force would have to ask to be as sure.
import type { EventKind } from '../core/events/kinds.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { coverageOf } from '../core/rules/coverage.ts'
import { exampleOf } from '../core/rules/exampleOf.ts'
import { orderAdvice } from '../core/rules/reorder.ts'
import { ruleHolds } from '../core/rules/matches.ts'
import { manyGroups, manyTexts } from '../test/arrange/manyRules.ts'
import { generatedRules, resub } from './generatedRules.ts'
import { report } from './report.ts'
import { medianMs, whole } from './timing.ts'

const channel = { locale: 'en', currency: 'EUR', timeZone: 'UTC', rates: {} }
const measured = []
for (const count of [10, 30, 100]) {
  const rules = generatedRules(count)
  const boxes = coverageOf(resub, rules).variations.reduce((sum, { plays }) => sum + (plays?.length ?? 0), 0)
  // The smallest grid that sees every boundary: months and streaks as far as the rules go, tiers, with each word or
  // without.
  const months = Array.from({ length: 461 }, (_, value) => value)
  const bruteMs = medianMs(() => {
    for (const value of months)
      for (const tier of ['1', '2', '3'])
        for (const message of ['', 'bread', 'rye', 'oven'])
          rules.find(({ rule }) => ruleHolds(rule, { months: value, tier, message, streak: 50 }))
  })
  measured.push({
    what: `${count} rules over 4 fields`,
    figures: {
      coverage: `${medianMs(() => void coverageOf(resub, rules)).toFixed(1)} ms`,
      boxes: whole(boxes),
      'brute force, one streak of 100': `${bruteMs.toFixed(1)} ms`,
    },
  })
}
const usual = generatedRules(8)
measured.push({
  what: '8 rules, advice about their order',
  figures: { took: `${medianMs(() => void orderAdvice(resub, usual)).toFixed(1)} ms` },
})

for (const [what, rules] of [
  ['12 groups of conditions', manyGroups(12)],
  ['20 groups of conditions', manyGroups(20)],
  ['9 cases of two texts', manyTexts(9)],
  ['49 cases of two texts', manyTexts(49)],
] as const) {
  const sample = (kind: EventKind) => sampleEvent(kind, 'everyday', 0)
  const last = rules.at(-2)?.id ?? ''
  measured.push({
    what,
    figures: {
      coverage: `${medianMs(() => void coverageOf(resub, rules)).toFixed(0)} ms`,
      'too many to draw': coverageOf(resub, rules).gaps === null ? 'yes' : 'no',
      'an example of the last': `${medianMs(() => void exampleOf(resub, rules, sample, last, channel)).toFixed(1)} ms`,
    },
  })
}
report('coverage', measured)
