import { defineKind } from '../../kindDefinition.ts'
import { fields, paidParts } from '../../kindParts.ts'

export const paidMessage = defineKind({
  ...paidParts,
  name: 'Paid message',
  family: 'money',
  mark: 'quote',
  fields: [fields.amount, fields.message],
  starter: { headline: '{name}', second: 'paid {amount} to say something' },
  sample: ({ large, message }) => ({ amountMinor: large(500, 50_000), currency: 'EUR', message }),
})
