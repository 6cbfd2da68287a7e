import { defineKind } from '../../kindDefinition.ts'
import { goalParts } from '../../kindParts.ts'

export const goalStarted = defineKind({
  ...goalParts,
  name: 'Goal starts',
  family: 'together',
  mark: 'flag',
  starter: { headline: '{goal}', second: 'a new goal: {amount}' },
})
