import * as z from 'zod'
import { textField } from '../../../rules/ruleField.ts'
import { base, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { placed, variable } from '../../kindParts.ts'

/** A sponsor's line that is shown as an alert: its turn has come. */
export const sponsorLine = defineKind({
  isWithoutViewer: true,
  name: 'Sponsor’s line',
  family: 'together',
  mark: 'handshake',
  data: z.object({ ...base, sponsor: words(80), line: words(140), address: words(200) }),
  variables: [
    variable('sponsor', 'who is thanked'),
    variable('line', 'what is said'),
    variable('address', 'the short address that leads there'),
  ],
  values: ({ sponsor, line, address }) => ({ sponsor, line, address }),
  fields: [placed(textField('sponsor', 'the sponsor'), 'sponsor')],
  starter: { headline: '{sponsor}', second: '{line}' },
  sample: () => ({
    sponsor: 'Sorrel mill',
    line: 'tonight’s flour comes from the Sorrel mill',
    address: 'bakery.example/go/sorrel',
  }),
})
