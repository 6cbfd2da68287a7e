import { defineKind } from '../../kindDefinition.ts'
import { surgeParts } from '../../kindParts.ts'

export const surgeStarted = defineKind({
  ...surgeParts,
  name: 'Surge starts',
  family: 'together',
  mark: 'waves',
  starter: { headline: 'A surge begins', second: 'level {level}' },
  sample: ({ large }) => ({ level: 1, totalPoints: large(1200, 1_200_000) }),
})
