import * as z from 'zod'
import { textField } from '../../../rules/ruleField.ts'
import { base, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, placed } from '../../kindParts.ts'

export const chatCommand = defineKind({
  name: 'Chat command',
  family: 'calls',
  mark: 'hash',
  data: z.object({ ...base, command: words(100), arguments: words(2000).optional() }),
  variables: [variables.name, variable('command', 'the command'), variable('arguments', 'what followed it')],
  values: (data) => ({ command: data.command, arguments: data.arguments }),
  fields: [
    placed(textField('command', 'the command'), 'command'),
    placed(textField('arguments', 'what followed', true), 'arguments'),
  ],
  starter: { headline: '{name}', second: 'called {command}' },
  sample: ({ large, longText }) => ({ command: '!bell', arguments: large('twice', longText) }),
})
