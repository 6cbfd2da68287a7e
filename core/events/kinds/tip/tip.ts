import { defineKind } from '../../kindDefinition.ts'
import { fields, paidParts } from '../../kindParts.ts'

export const tip = defineKind({
  ...paidParts,
  name: 'Tip',
  family: 'money',
  mark: 'coins',
  fields: [fields.amount, fields.known, fields.message],
  starter: { headline: '{name}', second: 'tipped {amount}' },
  sample: ({ large, message }) => ({ amountMinor: large(2500, 123_456_789), currency: 'EUR', message }),
})
