import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { envelopesOf, EnvelopeReader } from './envelope.ts'
import type { BusMessage } from './messages.ts'

const changed = (channelId: string): BusMessage => ({ type: 'changed', topics: ['all'], channelId })

describe('messages between processes', () => {
  it('come out as they went in, in pieces that PostgreSQL takes, whatever is in them', () => {
    const words = fc.oneof(fc.string({ unit: 'binary', maxLength: 30_000 }), fc.constant('"\\\u0000🥐'.repeat(6_000)))
    fc.assert(
      fc.property(words, fc.nat(), (text, id) => {
        const pieces = envelopesOf('node-a', id, changed(text))
        for (const piece of pieces) expect(Buffer.byteLength(piece)).toBeLessThan(8_000)
        const reader = new EnvelopeReader()
        const read = pieces.map((piece) => reader.read(piece))
        expect(read.at(-1)).toEqual({ from: 'node-a', message: changed(text) })
        expect(read.slice(0, -1).every((each) => each === null)).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
  it('of two senders are kept apart, also where their pieces come mixed', () => {
    const reader = new EnvelopeReader()
    const [a, b] = ['a', 'b'].map((from) => envelopesOf(from, 1, changed(from.repeat(20_000))))
    const heard = (a ?? []).flatMap((piece, index) => [reader.read(piece), reader.read(b?.[index] ?? '')])
    expect(heard.filter((each) => each !== null).map(({ from }) => from)).toEqual(['a', 'b'])
  })
  it('that are none of ours are passed over', () => {
    const reader = new EnvelopeReader()
    for (const raw of ['', 'hello', '{}', '{"from":"a","id":1,"part":0,"parts":1,"text":"no"}', '[1]'])
      expect(reader.read(raw)).toBeNull()
  })
  it('that never come whole are let go', () => {
    const reader = new EnvelopeReader()
    const long = changed('x'.repeat(20_000))
    const [first, ...rest] = envelopesOf('a', 0, long)
    reader.read(first ?? '')
    for (let id = 1; id < 100; id++) reader.read(envelopesOf('a', id, long)[0] ?? '')
    expect(rest.map((piece) => reader.read(piece)).at(-1)).toBeNull()
  })
})
