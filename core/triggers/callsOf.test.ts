import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../events/sampleEvent.ts'
import { openGate } from '../gate/schema.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import { callsOf } from './callsOf.ts'
import { sharedWords, trigger, type Trigger, type TriggerStart } from './schema.ts'

const channel = { currency: 'EUR', rates: {}, timeZone: 'Europe/Lisbon', prefix: '!' }
const triggerOf = (id: string, ...starts: TriggerStart[]): Trigger =>
  trigger.parse({
    id,
    name: id,
    isArmed: true,
    starts,
    gate: openGate,
    sheet: { do: 'inTurn', of: [] },
    refusal: '',
    about: '',
    again: 'inTurn',
    studioAway: 'goOn',
    isDoneByHand: false,
  })
const reward = (rewardId: string, source = 'feed:alder'): TriggerStart => ({
  by: 'reward',
  source,
  rewardId,
  title: 'Bell',
})
const command = (word: string, ...aliases: string[]): TriggerStart => ({ by: 'command', word, aliases })
const redemption = (id: string, source: string, title = 'Ring the oven bell') => ({
  ...sampleEvent('redemption'),
  source,
  data: { ...sampleEvent('redemption').data, reward: { id, title, costPoints: 300 }, input: 'twice' },
})
const typed = (line: string, rest?: string) => ({
  ...sampleEvent('chatCommand'),
  data: { ...sampleEvent('chatCommand').data, command: line, ...(rest === undefined ? {} : { arguments: rest }) },
})
const called = (event: object, ...triggers: Trigger[]) =>
  callsOf(event as never, plainCircumstances, triggers, channel).map(({ triggerId }) => triggerId)

describe('what an event sets off', () => {
  it('is the reward’s trigger, by the platform’s id: two of one name, and one that was renamed, are told apart', () => {
    const bell = triggerOf('bell', reward('r-1'))
    expect(called(redemption('r-1', 'feed:alder', 'Ring it, renamed'), bell)).toEqual(['bell'])
    expect(called(redemption('r-2', 'feed:alder'), bell)).toEqual([])
    expect(called(redemption('r-1', 'feed:birch'), bell)).toEqual([])
  })

  it('is the command’s, by its word or an alias in whatever case, and only with the channel’s prefix', () => {
    const bell = triggerOf('bell', command('bell', 'sino', 'GLÖCKCHEN'))
    expect(['!bell', '!BELL', '!Sino', '!glöckchen'].flatMap((line) => called(typed(line), bell))).toHaveLength(4)
    expect(['bell', '?bell', '!bells', '!'].flatMap((line) => called(typed(line), bell))).toEqual([])
    expect(called(sampleEvent('follow'), bell)).toEqual([])
  })

  it('is also a line of a chat that begins with it', () => {
    const bell = triggerOf('bell', command('bell'))
    const line = (text: string) => ({ ...sampleEvent('chatMessage'), data: { viewer: null, message: { text } } })
    expect(called(line('!Bell  for Zoë\nand pip'), bell)).toEqual(['bell'])
    expect(callsOf(line('!bell for Zoë') as never, plainCircumstances, [bell], channel)[0]?.input).toBe('for Zoë')
    expect([line('ring the !bell'), line('!'), line('')].flatMap((each) => called(each, bell))).toEqual([])
  })

  it('is a hand’s or a time’s where it says that trigger, and nothing else of theirs', () => {
    const bell = triggerOf('bell', { by: 'hand', key: null })
    const pressed = (id: string, source = 'desk') => redemption(id, source)
    expect([called(pressed('bell'), bell), called(pressed('bell', 'clock'), bell), called(pressed('x'), bell)]).toEqual(
      [['bell'], [], []],
    )
    const timed = triggerOf('bell', { by: 'time', minute: 0, weekdays: [0] })
    expect(called(pressed('bell', 'clock'), timed)).toEqual(['bell'])
  })

  it('knows what was typed with it, and whether it was paid for', () => {
    const both = triggerOf('bell', reward('r-1'), command('bell'))
    const calls = (event: object) => callsOf(event as never, plainCircumstances, [both], channel)
    expect(calls(redemption('r-1', 'feed:alder'))).toEqual([
      { triggerId: 'bell', by: 'reward', input: 'twice', isPaid: true },
    ])
    expect(calls(typed('!bell', 'for Zoë <b>'))).toEqual([
      { triggerId: 'bell', by: 'command', input: 'for Zoë <b>', isPaid: false },
    ])
  })

  it('is what listens to its kind, where its rule holds, and each trigger once', () => {
    const large = triggerOf('rush', {
      by: 'event',
      kinds: ['raid', 'tip'],
      rule: { match: 'all', of: [{ field: 'kind', is: 'oneOf', values: ['raid'] }] },
    })
    const any = triggerOf(
      'any',
      { by: 'event', kinds: ['raid'], rule: null },
      { by: 'event', kinds: ['raid'], rule: null },
    )
    expect(called(sampleEvent('raid'), large, any)).toEqual(['rush', 'any'])
    expect(called(sampleEvent('tip'), large, any)).toEqual([])
    expect(called(sampleEvent('raid'), triggerOf('by-hand', { by: 'hand', key: 'b' }))).toEqual([])
  })
})

describe('a trigger', () => {
  it('refuses a rule that its events cannot answer, and a command of two words', () => {
    const start = {
      by: 'event',
      kinds: ['follow'],
      rule: { match: 'all', of: [{ field: 'months', is: 'atLeast', value: 2 }] },
    }
    expect(() => triggerOf('x', start as TriggerStart)).toThrow()
    expect(() => triggerOf('x', command('ring it'))).toThrow()
    expect(triggerOf('x', command('ソバ')).starts).toHaveLength(1)
  })

  it('shares no word with another unnoticed', () => {
    const bell = triggerOf('bell', command('bell', 'Sino'))
    const other = triggerOf('other', command('SINO'))
    expect(sharedWords([bell, other])).toEqual([{ word: 'Sino', names: ['bell', 'other'] }])
    expect(sharedWords([bell])).toEqual([])
  })
})
