import * as z from 'zod'
import { numberField } from '../../../rules/ruleField.ts'
import { base, count } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, placed } from '../../kindParts.ts'

export const raid = defineKind({
  name: 'Raid',
  family: 'arrivals',
  mark: 'door',
  data: z.object({ ...base, partySize: count }),
  variables: [variables.name, variable('party', 'how many came along', 'number')],
  values: (data) => ({ party: data.partySize }),
  fields: [placed(numberField('party', 'the party', 'guests'), 'partySize')],
  starter: { headline: '{name}', second: 'arrives with {party}' },
  sample: ({ large }) => ({ partySize: large(64, 250_000) }),
  mainNumber: { field: 'partySize', label: 'Party', unit: 'guests', usual: 64, most: 1_000_000, per: 1 },
})
