import { describe, expect, it } from 'vitest'
import { eventKinds, kindOf } from '../events/kinds.ts'
import { dataSchemaOf } from '../events/schema.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { nothingTyped, withTyped } from './ownSample.ts'

const typed = { ...nothingTyped, name: ' Zoë ', message: '{amount} <b>', number: 42 }

describe.each(eventKinds.map((kind) => [kind] as const))('a typed sample of %s', (kind) => {
  it('is an event that could have come', () => {
    const made = withTyped(sampleEvent(kind), typed)
    expect(dataSchemaOf(kind).safeParse(made.data).error).toBeUndefined()
    const { mainNumber, isWithoutViewer } = kindOf(kind)
    if (!isWithoutViewer) expect(made.data.viewer?.name).toBe('Zoë')
    if (mainNumber) expect((made.data as Record<string, unknown>)[mainNumber.field]).toBe(42 * mainNumber.per)
    expect(made.data.message?.text ?? typed.message).toBe(typed.message)
  })
  it('is the sample where nothing was typed, and what happened where that is wanted', () => {
    expect(withTyped(sampleEvent(kind), nothingTyped).data).toEqual(sampleEvent(kind).data)
    const past = sampleEvent(kind, 'longest')
    expect(withTyped(sampleEvent(kind), { ...typed, past })).toBe(past)
  })
})

describe('a typed number', () => {
  it.each([
    [-5, 1],
    [1e12, 100_000_000],
    [0.5, 50],
    [Number.NaN, 2500],
  ])('%f becomes %i cents', (number, amountMinor) =>
    expect(withTyped(sampleEvent('tip'), { ...nothingTyped, number }).data).toMatchObject({ amountMinor }),
  )
})
