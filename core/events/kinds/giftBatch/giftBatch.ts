import * as z from 'zod'
import { numberField } from '../../../rules/ruleField.ts'
import { base, count, tier, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variables, tierNumeral, placed, fields } from '../../kindParts.ts'

export const giftBatch = defineKind({
  name: 'Gifts',
  family: 'by the month',
  mark: 'gift',
  data: z.object({ ...base, tier, count, groupId: words(200) }),
  variables: [variables.name, variables.count, variables.tier],
  values: (data) => ({ tier: tierNumeral(data.tier), count: data.count }),
  fields: [placed(numberField('count', 'the number of gifts', 'gifts'), 'count'), fields.tier, fields.known],
  starter: { headline: '{name}', second: 'gave away {count} subscriptions' },
  sample: ({ large }) => ({ tier: 1, count: large(5, 1000), groupId: 'sample' }),
  mainNumber: { field: 'count', label: 'Gifts', unit: 'gifts', usual: 5, most: 1000, per: 1 },
})
