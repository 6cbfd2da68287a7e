import { describe, expect, it } from 'vitest'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import { parseEventData } from '../../core/events/schema.ts'
import { adapterOf } from '../../server/feeds/adapters.ts'
import { platforms } from '../platforms/platforms.ts'
import { emotes, emotesIn } from './emotes.ts'

describe('emotes of the simulated chat', () => {
  it('are words that stand alone', () => {
    const text = 'rye 🥐 warmLoaf, warmLoaf hotOvens'
    const [only, ...others] = emotesIn(text)
    expect([only && text.slice(only.from, only.to), only?.from, others]).toEqual(['warmLoaf', 17, []])
  })

  it('arrive as pictures in the places of their words', () => {
    const text = `good ${emotes.map(({ word }) => word).join(' and ')} evening`
    const said = sampleEvent('chatMessage', 'everyday', Date.UTC(2026, 10, 25, 1))
    const event = {
      ...said,
      data: parseEventData('chatMessage', { ...said.data, message: { text, emotes: emotesIn(text) } }),
    }
    const heard = adapterOf('alder').translate(platforms.alder?.say(event as typeof said, 'x'), 'f')
    expect(heard?.rejected).toEqual([])
    expect(heard?.events[0]?.data.message).toEqual({ text, emotes: emotesIn(text) })
    expect(emotesIn(text)).toHaveLength(emotes.length)
  })
})
