import * as z from 'zod'
import { numberField } from '../../../rules/ruleField.ts'
import { base, count, tier } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, tierNumeral, placed, fields, monthsNumber } from '../../kindParts.ts'

export const resubscription = defineKind({
  name: 'Resub',
  family: 'by the month',
  mark: 'again',
  data: z.object({ ...base, tier, months: count, streakMonths: count.optional() }),
  variables: [
    variables.name,
    variables.tier,
    variables.months,
    variable('streak', 'months in a row', 'number'),
    variables.message,
  ],
  values: (data) => ({ tier: tierNumeral(data.tier), months: data.months, streak: data.streakMonths }),
  fields: [
    fields.months,
    fields.tier,
    placed(numberField('streak', 'months in a row', '', true), 'streakMonths'),
    fields.message,
  ],
  starter: { headline: '{name}', second: 'stays for month {months}' },
  sample: ({ large, message }) => ({ tier: 2, months: large(12, 128), streakMonths: large(7, 96), message }),
  mainNumber: monthsNumber,
})
