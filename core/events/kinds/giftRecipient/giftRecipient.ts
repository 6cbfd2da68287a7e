import * as z from 'zod'
import { base, tier, viewer, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, tierNumeral, fields } from '../../kindParts.ts'

export const giftRecipient = defineKind({
  name: 'Gift received',
  family: 'by the month',
  mark: 'parcel',
  data: z.object({ ...base, tier, recipient: viewer, groupId: words(200) }),
  variables: [variables.name, variable('recipient', 'who received it'), variables.tier],
  values: (data) => ({ tier: tierNumeral(data.tier), recipient: data.recipient.name }),
  fields: [fields.tier, fields.known],
  starter: { headline: '{recipient}', second: 'received a subscription from {name}' },
  sample: ({ large, longName }) => ({
    tier: 1,
    recipient: { id: 'sample-recipient', name: large('Juno Flint', longName) },
    groupId: 'sample',
  }),
})
