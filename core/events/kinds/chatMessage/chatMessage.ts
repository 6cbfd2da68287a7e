import * as z from 'zod'
import { textField } from '../../../rules/ruleField.ts'
import { base, message } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variables } from '../../kindParts.ts'

export const chatMessage = defineKind({
  name: 'Chat message',
  family: 'calls',
  mark: 'bubble',
  data: z.object({ ...base, message }),
  variables: [variables.name, variables.message],
  values: () => ({}),
  fields: [{ field: textField('message', 'the message') }],
  starter: { headline: '{name}', second: '{message}' },
  sample: (of) => ({ message: of.message }),
})
