import { defineKind } from '../../kindDefinition.ts'
import { fields, paidParts } from '../../kindParts.ts'

export const charityDonation = defineKind({
  ...paidParts,
  name: 'Charity donation',
  family: 'money',
  mark: 'givingHand',
  fields: [fields.amount, fields.known, fields.message],
  starter: { headline: '{name}', second: 'donated {amount}' },
  sample: ({ large, message }) => ({ amountMinor: large(1000, 10_000_000), currency: 'EUR', message }),
})
