import * as z from 'zod'
import { numberField, textField } from '../../../rules/ruleField.ts'
import { base, count, money, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, placed, fields, amountNumber } from '../../kindParts.ts'

export const purchase = defineKind({
  name: 'Purchase',
  family: 'money',
  mark: 'bag',
  data: z.object({ ...base, ...money, item: words(200), quantity: count }),
  variables: [variables.name, variable('item', 'what was bought'), variables.count, variables.amount],
  values: ({ item, quantity, amountMinor, currency }) => ({ item, count: quantity, amount: { amountMinor, currency } }),
  fields: [
    fields.amount,
    placed(numberField('count', 'the quantity', 'pieces'), 'quantity'),
    placed(textField('item', 'the item'), 'item'),
  ],
  starter: { headline: '{name}', second: 'bought {item}' },
  sample: ({ large }) => ({
    item: large('Linen apron', 'The enamelled proving bowl with the lantern on its side'),
    quantity: large(1, 12),
    amountMinor: large(2800, 148_000),
    currency: 'EUR',
  }),
  mainNumber: amountNumber,
})
