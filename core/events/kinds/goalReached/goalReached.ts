import { defineKind } from '../../kindDefinition.ts'
import { goalParts } from '../../kindParts.ts'

export const goalReached = defineKind({
  ...goalParts,
  name: 'Goal reached',
  family: 'together',
  mark: 'flagTriangle',
  starter: { headline: '{goal}', second: 'reached: {amount}' },
})
