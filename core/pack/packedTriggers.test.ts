import { describe, expect, it } from 'vitest'
import { openGate } from '../gate/schema.ts'
import { stepsOf } from '../sheet/schema.ts'
import { newTrigger, trigger, type Trigger } from '../triggers/schema.ts'
import {
  packTriggers,
  readPacked,
  soundsOfTriggers,
  standTriggers,
  triggersOfBox,
  withSounds,
} from './packedTriggers.ts'

const play = (boxId: string, alertId = 'bell', variationId: string | null = null) => ({
  ...{ do: 'play' as const, boxId, alertId, variationId },
  isBeside: false,
})
const sound = (boxId: string, mediaId: string) => ({ do: 'sound' as const, boxId, mediaId, trimDb: 0 })
const of = (id: string, fields: Partial<Trigger>): Trigger => trigger.parse({ ...newTrigger(id, id), ...fields })
const bell = of('bell', {
  isArmed: true,
  starts: [
    { by: 'reward', source: 'feed:alder', rewardId: 'r-1', title: 'Ring the bell' },
    { by: 'command', word: 'bell', aliases: ['ring'] },
    { by: 'hand', key: 'b' },
  ],
  gate: {
    ...openGate,
    who: {
      match: 'any',
      of: [
        { is: 'named', names: ['pip_rye'] },
        { is: 'role', role: 'vip' },
      ],
    },
    stock: 20,
    cost: 300,
  },
  sheet: {
    do: 'inTurn',
    of: [
      play('counter', 'bell', 'bell-gold'),
      { do: 'together', of: [play('mobile'), { do: 'webhook', url: 'https://bakery.example/hook' }] },
      { do: 'together', of: [sound('counter', 'm-oven'), { do: 'say', words: '{name} rang' }] },
      { do: 'sheet', triggerId: 'flour' },
      { do: 'sheet', triggerId: 'elsewhere' },
    ],
  },
})
const flour = of('flour', { sheet: { do: 'inTurn', of: [sound('counter', 'm-flour')] } })
const elsewhere = of('elsewhere', { sheet: { do: 'inTurn', of: [play('mobile')] } })

describe('triggers in a pack', () => {
  const packed = packTriggers([bell, flour], 'counter')

  it('go along where they play something of its box', () => {
    expect(triggersOfBox([bell, flour, elsewhere], 'counter').map(({ id }) => id)).toEqual(['bell', 'flour'])
  })

  it('are unarmed and unpriced, and leave behind what belongs to their channel', () => {
    const [first] = packed
    expect(first).toMatchObject({
      isArmed: false,
      starts: [
        { by: 'command', word: 'bell', aliases: ['ring'] },
        { by: 'hand', key: null },
      ],
      gate: { cost: 0, stock: 20, who: { match: 'any', of: [{ is: 'role', role: 'vip' }] } },
    })
    expect(first && stepsOf(first.sheet)).toEqual([
      play('pack', 'bell', 'bell-gold'),
      sound('pack', 'm-oven'),
      { do: 'say', words: '{name} rang' },
      { do: 'sheet', triggerId: 'flour' },
    ])
    expect(JSON.stringify(packed)).not.toMatch(/pip_rye|bakery|alder|mobile|elsewhere/)
    expect(soundsOfTriggers(packed)).toEqual(['m-oven', 'm-flour'])
  })

  it('are the same once more: what was packed and unpacked is packed alike', () => {
    expect(readPacked(packed)).toEqual(packed)
    const stood = standTriggers(packed, { bell: 'bell' }, 'counter', () => 'bell')
    expect(packTriggers(stood, 'counter')[0]?.gate).toEqual(packed[0]?.gate)
  })

  it('stand in a channel by ids of their own, playing the alerts as its box calls them and nothing that it did not take', () => {
    let count = 0
    const [first, second] = standTriggers(packed, { bell: 'bell-2' }, 'night', () => `trigger-${++count}`)
    expect([first?.id, second?.id]).toEqual(['trigger-1', 'trigger-2'])
    expect(first && stepsOf(first.sheet)).toEqual([
      play('night', 'bell-2', 'bell-gold-2'),
      sound('night', 'm-oven'),
      { do: 'say', words: '{name} rang' },
      { do: 'sheet', triggerId: 'trigger-2' },
    ])
    const [without] = standTriggers(packed, {}, 'night', () => `trigger-${++count}`)
    expect(without && stepsOf(without.sheet).some((step) => step.do === 'play')).toBe(false)
  })

  it('name files as they are called here', () => {
    expect(soundsOfTriggers(withSounds(packed, (id) => `${id}-here`))).toEqual(['m-oven-here', 'm-flour-here'])
  })
})
