import { describe, expect, it } from 'vitest'
import { cleanSpeech } from '../speech/cleanSpeech.ts'
import { readyRules } from '../speech/rules.ts'
import { messagePieces } from '../text/messagePieces.ts'
import { describeEvent } from './describeEvent.ts'
import { eventKinds } from './kinds.ts'
import { sampleEvent } from './sampleEvent.ts'
import { dataSchemaOf, parseEventData } from './schema.ts'
import { valuesOf, variablesOfKind } from './variables.ts'

describe.each(eventKinds)('%s', (kind) => {
  it('accepts its own sample', () => expect(() => parseEventData(kind, sampleEvent(kind).data)).not.toThrow())

  it('carries every variable that it declares, and no other but the message', () => {
    const values = valuesOf(sampleEvent(kind))
    const declared = variablesOfKind(kind).map((variable) => variable.name)
    for (const name of declared) expect(values[name], name).toBeTruthy()
    for (const name of Object.keys(values)) expect([...declared, 'name', 'message']).toContain(name)
  })
})

describe('event data', () => {
  it('shows an anonymous giver by a word, not by nothing', () => {
    const event = sampleEvent('giftBatch')
    expect(valuesOf({ ...event, data: { ...event.data, viewer: null } } as typeof event).name).toBe('Somebody')
  })

  it.each([
    ['tip', { viewer: null, amountMinor: 12.5, currency: 'EUR' }, 'amountMinor'],
    ['tip', { viewer: null, amountMinor: 100, currency: 'euro' }, 'currency'],
    ['raid', { viewer: null, partySize: -1 }, 'partySize'],
    ['subscription', { viewer: null, tier: 4, months: 1 }, 'tier'],
    ['follow', { viewer: { id: '', name: 'x' } }, 'viewer.id'],
    ['follow', { viewer: { id: 'x', name: 'y'.repeat(501) } }, 'viewer.name'],
    ['follow', { viewer: { id: 'x', name: 'y', pictureUrl: 'javascript:alert(1)' } }, 'viewer.pictureUrl'],
  ] as const)('refuses a %s that does not fit, with the path', (kind, data, path) => {
    expect(
      dataSchemaOf(kind)
        .safeParse(data)
        .error?.issues.map((issue) => issue.path.join('.')),
    ).toContain(path)
  })

  it('leaves emotes on the words that they were sent for, on stage and in speech, whatever is taken out before them', () => {
    const written = 'so\u0000\u0007 good\tand\nwarm LOAF end'
    const from = written.indexOf('LOAF')
    const emotes = [{ from, to: from + 4, url: 'https://alder.example/loaf.png' }]
    const { message } = parseEventData('tip', {
      viewer: null,
      amountMinor: 100,
      currency: 'EUR',
      message: { text: written, emotes },
    })
    const pieces = messagePieces(message!.text, message!.emotes)
    expect(pieces.map(({ text, emoteUrl }) => (emoteUrl ? `[${text}]` : text)).join('')).toBe(
      'so good and warm [LOAF] end',
    )
    const spoken = cleanSpeech(
      message!.text,
      readyRules.careful,
      { lexica: [], languages: ['en'], strictly: null },
      message!.emotes,
    )
    expect(spoken.text).toBe('so good\tand\nwarm end')
  })

  it('cleans names of what cannot be stored', () => {
    expect(parseEventData('follow', { viewer: { id: 'a', name: 'x\u0000y' } })).toMatchObject({
      viewer: { name: 'xy' },
    })
  })
})

describe('describeEvent', () => {
  it('writes one plain line', () => {
    expect(describeEvent(sampleEvent('tip'), 'en-IE')).toEqual({
      name: 'pip_rye',
      detail: '€25.00 · “o pão de centeio é o melhor da noite loafHug”',
    })
    expect(describeEvent(sampleEvent('raid'), 'en-IE').detail).toBe('64 came along')
    expect(describeEvent(sampleEvent('follow'), 'en-IE').detail).toBe('')
  })
})
