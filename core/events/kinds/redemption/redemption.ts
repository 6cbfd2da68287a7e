import * as z from 'zod'
import { numberField, textField } from '../../../rules/ruleField.ts'
import { base, count, words } from '../../dataParts.ts'
import { defineKind } from '../../kindDefinition.ts'
import { variable, variables, placed } from '../../kindParts.ts'

export const redemption = defineKind({
  name: 'Redemption',
  family: 'calls',
  mark: 'ticket',
  data: z.object({
    ...base,
    reward: z.object({ id: words(200), title: words(200), costPoints: count }),
    input: words(2000).optional(),
  }),
  variables: [
    variables.name,
    variable('reward', 'the reward'),
    variable('cost', 'its price in points', 'number'),
    variable('input', 'what the viewer typed'),
  ],
  values: ({ reward, input }) => ({ reward: reward.title, cost: reward.costPoints, input }),
  fields: [
    placed(numberField('cost', 'the cost', 'points'), 'reward', 'costPoints'),
    placed(textField('reward', 'the reward'), 'reward', 'title'),
    placed(textField('input', 'what was typed', true), 'input'),
  ],
  starter: { headline: '{name}', second: 'redeemed {reward}' },
  sample: ({ large, longText }) => ({
    reward: { id: 'bell', title: 'Ring the oven bell', costPoints: large(300, 1_000_000) },
    input: large('Crumbelina', longText),
  }),
})
