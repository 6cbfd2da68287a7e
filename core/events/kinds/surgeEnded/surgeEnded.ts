import { defineKind } from '../../kindDefinition.ts'
import { surgeParts } from '../../kindParts.ts'

export const surgeEnded = defineKind({
  ...surgeParts,
  name: 'Surge ends',
  family: 'together',
  mark: 'down',
  starter: { headline: 'The surge is over', second: 'level {level}, {points} points' },
  sample: ({ large }) => ({ level: large(4, 20), totalPoints: large(14_200, 14_200_000) }),
})
