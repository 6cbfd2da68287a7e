import { defineKind } from '../../kindDefinition.ts'
import { surgeParts } from '../../kindParts.ts'

export const surgeLevelled = defineKind({
  ...surgeParts,
  name: 'Surge level',
  family: 'together',
  mark: 'up',
  starter: { headline: 'Level {level}', second: '{points} points together' },
  sample: ({ large }) => ({ level: large(3, 20), totalPoints: large(8600, 8_600_000) }),
})
