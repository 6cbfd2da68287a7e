import { describe, expect, it } from 'vitest'
import { forgetViewer } from './forgetViewer.ts'
import { eventKinds } from './kinds.ts'
import { sampleEvent } from './sampleEvent.ts'
import { dataSchemaOf, type CanonicalEvent } from './schema.ts'

const as = { id: 'forgotten-1', name: 'somebody' }
const person = { id: 'tallow', name: 'tallowmoth', pictureUrl: 'https://pictures.example/tallow.png' }

/** An event of a kind by this person, with everything that they may have written. */
function eventOf(kind: CanonicalEvent['kind']): CanonicalEvent['data'] {
  const { data } = sampleEvent(kind, 'everyday')
  const written = { message: { text: 'warm loaf of tallowmoth' } }
  const typed = {
    ...(kind === 'redemption' && { input: 'tallow' }),
    ...(kind === 'chatCommand' && { arguments: 'tallow' }),
  }
  return dataSchemaOf(kind).parse({ ...data, ...written, ...typed, viewer: person })
}

describe('a viewer who is forgotten', () => {
  it.each(eventKinds)('is nowhere in a %s any more, and what they gave is', (kind) => {
    const before = eventOf(kind)
    const after = forgetViewer(before, 'tallow', as)
    expect(JSON.stringify(after)).not.toMatch(/tallow/)
    expect(dataSchemaOf(kind).safeParse(after).success).toBe(true)
    for (const kept of ['amountMinor', 'currency', 'count', 'months', 'points', 'partySize'] as const)
      expect((after as Record<string, unknown>)[kept]).toBe((before as Record<string, unknown>)[kept])
  })
  it('is the only one: others in the same event stay', () => {
    const data = dataSchemaOf('giftRecipient').parse({
      ...sampleEvent('giftRecipient', 'everyday').data,
      ...{ viewer: { id: 'giver', name: 'Giver' }, recipient: person, message: { text: 'for you' } },
    })
    expect(forgetViewer(data, 'tallow', as)).toEqual({ ...data, recipient: as })
    expect(forgetViewer(data, 'nobody', as)).toEqual(data)
  })
})
