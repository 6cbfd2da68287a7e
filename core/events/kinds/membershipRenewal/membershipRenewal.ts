import { defineKind } from '../../kindDefinition.ts'
import { membershipParts, monthsNumber } from '../../kindParts.ts'

export const membershipRenewal = defineKind({
  ...membershipParts,
  name: 'Membership renewed',
  family: 'by the month',
  mark: 'badge',
  starter: { headline: '{name}', second: 'is a member for {months} months' },
  sample: ({ large, message }) => ({
    levelName: large('Night shift', 'Keepers of the very first oven'),
    months: large(3, 60),
    message,
  }),
  mainNumber: monthsNumber,
})
