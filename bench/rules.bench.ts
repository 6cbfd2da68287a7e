// Decisions a second among many variations, beside two general rule engines and plain compiled functions on the same
// rules.
import jsonLogic from 'json-logic-js'
import { Engine, type RuleProperties } from 'json-rules-engine'
import { chooseVariation } from '../core/rules/choose.ts'
import type { Ruled } from '../core/rules/chosen.ts'
import { isComparison, type Comparison } from '../core/rules/schema.ts'
import { generatedRules } from './generatedRules.ts'
import { report } from './report.ts'
import { perSecond, whole } from './timing.ts'

const comparisonsOf = ({ rule }: Ruled) => (rule?.of ?? []).filter(isComparison)

/** The same question as functions that know the fields: what any engine would have to beat. */
const asFunctions = (rules: readonly Ruled[]) =>
  rules.map((ruled) => ({
    id: ruled.id,
    holds: new Function('v', `return ${comparisonsOf(ruled).map(codeOf).join(' && ')}`) as (values: object) => boolean,
  }))
function codeOf(term: Comparison): string {
  if (term.is === 'between') return `v.${term.field} >= ${term.from} && v.${term.field} <= ${term.to}`
  if (term.is === 'atLeast') return `v.${term.field} >= ${term.value}`
  if (term.is === 'oneOf') return `${JSON.stringify(term.values)}.includes(v.${term.field})`
  return `v.${term.field}.toLowerCase().includes(${JSON.stringify('text' in term ? term.text : '')})`
}

jsonLogic.add_operation('holdsText', (text: string, part: string) => text.toLowerCase().includes(part))
const asLogic = (rules: readonly Ruled[]) =>
  rules.map((ruled) => ({ id: ruled.id, logic: { and: comparisonsOf(ruled).map(logicOf) } }))
function logicOf(term: Comparison): object {
  const of = { var: term.field }
  if (term.is === 'between') return { '<=': [term.from, of, term.to] }
  if (term.is === 'atLeast') return { '>=': [of, term.value] }
  if (term.is === 'oneOf') return { in: [of, term.values] }
  return { holdsText: [of, 'text' in term ? term.text : ''] }
}

/** Of the second engine all rules are asked at once; the first that holds is the one with the highest priority. */
function asEngine(rules: readonly Ruled[]): Engine {
  const engine = new Engine()
  engine.addOperator('holdsText', (text: string, part: string) => text.toLowerCase().includes(part))
  rules.forEach((ruled, index) =>
    engine.addRule({
      priority: rules.length - index,
      event: { type: ruled.id },
      conditions: { all: comparisonsOf(ruled).flatMap(conditionsOf) },
    } as RuleProperties),
  )
  return engine
}
function conditionsOf(term: Comparison): { fact: string; operator: string; value: unknown }[] {
  const fact = term.field
  if (term.is === 'between')
    return [
      { fact, operator: 'greaterThanInclusive', value: term.from },
      { fact, operator: 'lessThanInclusive', value: term.to },
    ]
  if (term.is === 'atLeast') return [{ fact, operator: 'greaterThanInclusive', value: term.value }]
  if (term.is === 'oneOf') return [{ fact, operator: 'in', value: term.values }]
  return [{ fact, operator: 'holdsText', value: 'text' in term ? term.text : '' }]
}

const events = Array.from({ length: 997 }, (_, index) => ({
  months: (index * 37) % 500,
  tier: String(1 + (index % 3)),
  streak: (index * 7) % 120,
  message: index % 4 === 0 ? 'the rye bread' : 'good evening',
}))
const eventAt = (index: number) => events[index % events.length] as (typeof events)[number]
const measured = []
for (const count of [10, 100, 1000]) {
  const rules = generatedRules(count)
  const [functions, logics, engine] = [asFunctions(rules), asLogic(rules), asEngine(rules)]
  const answers = {
    ours: (index: number) => chooseVariation(rules, eventAt(index), 'event').variation?.id,
    functions: (index: number) => functions.find(({ holds }) => holds(eventAt(index)))?.id,
    logic: (index: number) => logics.find(({ logic }) => jsonLogic.apply(logic as never, eventAt(index)))?.id,
  }
  for (let index = 0; index < events.length; index++)
    if (answers.ours(index) !== answers.logic(index) || answers.ours(index) !== answers.functions(index))
      throw new Error(`They do not agree on event ${index}`)
  measured.push({
    what: `${count} variations, decisions a second`,
    figures: {
      ours: whole(await perSecond(answers.ours)),
      'json-logic-js': whole(await perSecond(answers.logic)),
      'json-rules-engine': whole(await perSecond((index) => engine.run(eventAt(index)))),
      'compiled functions': whole(await perSecond(answers.functions)),
    },
  })
}
report('rules', measured)
