import { describe, expect, it } from 'vitest'
import { starterAlert } from '../composition/starter.ts'
import { starterMessage, starterVoice } from '../composition/starterParts.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { copyOf } from '../copyOf.ts'
import { resolveScore } from './resolve.ts'
import { scoreRows } from './rows.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

describe('the times of a resolved score', () => {
  const alert = starterAlert('tip', canvas, { pictureId: null, soundId: null })
  const composition = copyOf(alert.variations[0]!.composition)
  const message = starterMessage(canvas)
  composition.parts.push(starterVoice(), message)
  composition.length = { rule: 'fit', minMs: 1000, maxMs: 60_000 }
  message.clip.end = { length: 'natural', times: 1 }
  const event = sampleEvent('tip', 'everyday', 0)
  const context = { canvas, look: lanternLook, zones: [], event, locale: 'en', media: {} }

  it('are there for every part, solved with the words of this event and what its voices say', () => {
    const resolved = resolveScore(composition, context)
    expect(resolved.ok && Object.keys(resolved.value.clips).sort()).toEqual(
      composition.parts.map(({ id }) => id).sort(),
    )
    if (!resolved.ok) return
    for (const { id, startMs, endMs } of resolved.value.parts)
      expect(resolved.value.clips[id]).toMatchObject({ startMs, endMs })
    expect(scoreRows(composition, resolved.value.clips, resolved.value.lengthMs)).toHaveLength(composition.parts.length)
  })

  it('are those of the message that came: what is read stays as long as its words need', () => {
    const longer = { ...event, data: { ...event.data, message: { text: 'o pão '.repeat(30) } } } as typeof event
    const [short, long] = [event, longer].map((each) => resolveScore(composition, { ...context, event: each }))
    const endOf = (of: typeof short) => (of?.ok ? of.value.clips[message.id]!.endMs : null)
    expect(endOf(long)).toBeGreaterThan(endOf(short)!)
  })
})
