import * as z from 'zod'
import { numberField } from '../../../rules/ruleField.ts'
import { base, count } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variables, placed, fields } from '../../kindParts.ts'

export const applause = defineKind({
  name: 'Applause',
  family: 'together',
  mark: 'hand',
  data: z.object({ ...base, points: count }),
  variables: [variables.name, variables.points, variables.message],
  values: (data) => ({ points: data.points }),
  fields: [placed(numberField('points', 'the applause', 'points'), 'points'), fields.message],
  starter: { headline: '{name}', second: 'clapped with {points} points' },
  sample: ({ large, message }) => ({ points: large(500, 1_000_000), message }),
  mainNumber: { field: 'points', label: 'Points', unit: 'points', usual: 500, most: 1_000_000, per: 1 },
})
