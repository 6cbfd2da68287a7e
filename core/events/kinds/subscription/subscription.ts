import * as z from 'zod'
import { base, count, tier } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variables, tierNumeral, fields } from '../../kindParts.ts'

export const subscription = defineKind({
  name: 'Subscription',
  family: 'by the month',
  mark: 'calendar',
  data: z.object({ ...base, tier, months: count }),
  variables: [variables.name, variables.tier, variables.months, variables.message],
  values: (data) => ({ tier: tierNumeral(data.tier), months: data.months }),
  fields: [fields.months, fields.tier, fields.message],
  starter: { headline: '{name}', second: 'subscribed at tier {tier}' },
  sample: ({ large, message }) => ({ tier: large(1, 3), months: 1, message }),
})
