import * as z from 'zod'
import { base } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variables } from '../../kindParts.ts'

export const follow = defineKind({
  name: 'Follow',
  family: 'arrivals',
  mark: 'steps',
  data: z.object(base),
  variables: [variables.name],
  values: () => ({}),
  fields: [],
  starter: { headline: '{name}', second: 'is now following' },
  sample: () => ({}),
})
