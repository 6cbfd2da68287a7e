import * as z from 'zod'
import { choiceField, numberField, textField, type RuleField } from '../rules/ruleField.ts'
import { base, count, currency, money, words } from './dataParts.ts'
import type { MainNumber, PlacedField, VariableDeclaration } from './kindDefinition.ts'

/** What several kinds of event have in common. */

export const variable = (
  name: string,
  means: string,
  type: VariableDeclaration['type'] = 'text',
): VariableDeclaration => ({ name, means, type })

export const variables = {
  name: variable('name', 'who did it'),
  message: variable('message', 'what they wrote'),
  amount: variable('amount', 'the amount with its currency', 'money'),
  months: variable('months', 'how many months', 'number'),
  tier: variable('tier', 'the tier, I to III'),
  count: variable('count', 'how many', 'number'),
  level: variable('level', 'the level reached'),
  points: variable('points', 'how many points', 'number'),
  goal: variable('goal', 'what the goal is called'),
}

const tierNumerals = ['', 'I', 'II', 'III']
export const tierNumeral = (tier: number): string => tierNumerals[tier] ?? ''

/** A field whose value stands at a place of the event's data. */
export const placed = (field: RuleField, ...at: readonly string[]): PlacedField => ({ field, at })

const amount: RuleField = { id: 'amount', type: 'money', words: 'the amount', mayBeMissing: true }

/** Fields that several kinds have. Tiers are compared by their numbers and read as numerals. */
export const fields = {
  months: placed(numberField('months', 'months'), 'months'),
  tier: placed(choiceField('tier', 'the tier', { 1: 'I', 2: 'II', 3: 'III' }), 'tier'),
  amount: placed(amount, 'amountMinor'),
  target: placed(amount, 'targetMinor'),
  goal: placed(textField('goal', 'the goal'), 'goalTitle'),
  level: placed(textField('levelName', 'the level'), 'levelName'),
  known: { field: choiceField('viewer', 'the viewer', { named: 'named', anonymous: 'anonymous' }) },
  message: { field: textField('message', 'the message', true) },
} satisfies Record<string, PlacedField>

export const monthsNumber: MainNumber = {
  field: 'months',
  label: 'Months',
  unit: 'months',
  usual: 12,
  most: 999,
  per: 1,
}
export const amountNumber: MainNumber = {
  field: 'amountMinor',
  label: 'Amount',
  unit: 'EUR',
  usual: 25,
  most: 1_000_000,
  per: 100,
}

/** Money with what somebody says of it: a tip, a paid message, a donation. */
export const paidParts = {
  data: z.object({ ...base, ...money }),
  variables: [variables.name, variables.amount, variables.message],
  values: ({ amountMinor, currency }: { amountMinor: number; currency: string }) => ({
    amount: { amountMinor, currency },
  }),
  mainNumber: amountNumber,
}

/** Somebody belongs to the channel, newly or still. */
export const membershipParts = {
  data: z.object({ ...base, levelName: words(200), months: count }),
  variables: [variables.name, variables.level, variables.months, variables.message],
  values: ({ levelName, months }: { levelName: string; months: number }) => ({ level: levelName, months }),
  fields: [fields.months, fields.level, fields.message],
}

/** Many viewers fill one bar together. */
export const surgeParts = {
  isWithoutViewer: true,
  data: z.object({ ...base, level: count, totalPoints: count }),
  variables: [variables.level, variables.points],
  values: ({ level, totalPoints }: { level: number; totalPoints: number }) => ({ level, points: totalPoints }),
  fields: [
    placed(numberField('level', 'the level'), 'level'),
    placed(numberField('points', 'the total', 'points'), 'totalPoints'),
  ],
}

/** ISO 4217's code for what is no money: goals count other things, too. */
export const noCurrency = 'XXX'

/** A goal of the channel. */
export const goalParts = {
  isWithoutViewer: true,
  data: z.object({ ...base, goalTitle: words(200), targetMinor: count, currency }),
  variables: [variables.goal, variables.amount],
  values: ({ goalTitle, targetMinor, currency: of }: { goalTitle: string; targetMinor: number; currency: string }) => ({
    goal: goalTitle,
    amount: of === noCurrency ? targetMinor : { amountMinor: targetMinor, currency: of },
  }),
  fields: [fields.target, fields.goal],
  sample: ({ large }: { large: <T>(usual: T, largest: T) => T }) => ({
    goalTitle: 'new oven fund',
    targetMinor: large(120_000, 12_000_000),
    currency: 'EUR',
  }),
}
