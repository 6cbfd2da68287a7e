import { defineKind } from '../../kindDefinition.ts'
import { membershipParts } from '../../kindParts.ts'

export const membership = defineKind({
  ...membershipParts,
  name: 'Membership',
  family: 'by the month',
  mark: 'card',
  starter: { headline: '{name}', second: 'became a member: {level}' },
  sample: ({ large, message }) => ({
    levelName: large('Night shift', 'Keepers of the very first oven'),
    months: 1,
    message,
  }),
})
