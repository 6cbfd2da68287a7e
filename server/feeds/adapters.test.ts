import fc from 'fast-check'
import { describe, expect, it } from 'vitest'

import { payloads } from '../../test/feeds/payloads.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import { adapterOf, adapters } from './adapters.ts'
import { minorOfMicros } from './adapters/birch/birch.ts'

/** What every adapter must do. */
describe.each(Object.values(adapters).map((adapter) => [adapter.platform, adapter] as const))(
  'the adapter of %s',
  (platform, adapter) => {
    const known = payloads[platform] ?? []

    it.each(known.map((each) => [each.kind, each] as const))('understands its %s', (_kind, { kind, payload, data }) => {
      const translation = adapter.translate(payload, 'f-1')
      expect(translation?.rejected).toEqual([])
      expect(translation?.events).toMatchObject([
        { kind, source: 'feed:f-1', occurredAtMs: Date.UTC(2026, 10, 25, 0, 40, 10), data },
      ])
    })
    it('gives the same ids for the same payload, and different ones for different things', () => {
      const idsOf = () =>
        known.map(({ payload }) => adapter.translate(structuredClone(payload), 'f-1')?.events[0]?.externalId)
      expect(idsOf()).toEqual(idsOf())
      expect(new Set(idsOf()).size).toBe(known.length)
    })
    it('hears how many watch, where it says so, and nothing happens by that', () => {
      const said = platforms[platform]?.audience?.(87, 'n-1', Date.UTC(2026, 10, 25))
      if (!said) return
      expect(adapter.translate(said, 'f-1')).toEqual({ events: [], removals: [], watching: 87, rejected: [] })
    })
    it.each([null, 7, 'text', [], {}, { entries: [] }, { page: {} }, { slips: 'x' }, { notices: [] }])(
      'knows that %j is no payload of its own',
      (payload) => expect(adapter.translate(payload, 'f')).toBeNull(),
    )

    it('never throws and loses nothing, whatever is broken in a payload', () => {
      /** The list in a payload, wherever the platform keeps it. */
      const listOf = (payload: Record<string, unknown>): unknown[] => {
        const [inside] = Object.values(payload)
        return Array.isArray(inside) ? (inside as unknown[]) : listOf(inside as Record<string, unknown>)
      }
      fc.assert(
        fc.property(
          fc.constantFrom(...known),
          fc.nat(20),
          fc.oneof(fc.constantFrom(null, -1, NaN, 1e20, '', 'x', [], {}, '9'.repeat(30)), fc.anything()),
          ({ payload }, which, value) => {
            const broken = structuredClone(payload) as Record<string, unknown>
            const thing = listOf(broken)[0] as Record<string, unknown>
            const nested = [
              thing,
              ...Object.values(thing).filter(
                (each): each is Record<string, unknown> =>
                  typeof each === 'object' && each !== null && !Array.isArray(each),
              ),
            ]
            const holder = nested[which % nested.length] as Record<string, unknown>
            const keys = Object.keys(holder)
            holder[keys[which % keys.length] ?? ''] = value
            const translation = adapter.translate(broken, 'f')
            expect((translation?.events.length ?? 0) + (translation?.rejected.length ?? 0)).toBe(1)
          },
        ),
        { numRuns: 300 },
      )
    })
  },
)

describe('all adapters together', () => {
  it('are tried with all that happens on their platform, and every platform is tried', () => {
    const tried = Object.entries(payloads).map(([platform, list]) => [platform, new Set(list.map(({ kind }) => kind))])
    const said = Object.entries(platforms).map(([platform, { kinds }]) => [platform, new Set(kinds)])
    expect(Object.fromEntries(tried)).toEqual(Object.fromEntries(said))
  })
  it('are found by their platform', () => {
    expect(adapterOf('birch').platform).toBe('birch')
    expect(() => adapterOf('oak')).toThrow('oak')
  })
})

describe('amounts', () => {
  it.each([
    ['5000000', 'EUR', 500],
    ['5000000', 'JPY', 5],
    ['5001000', 'KWD', 5001],
    ['0', 'EUR', 0],
  ])('%s micros of %s', (micros, currency, minor) =>
    expect(minorOfMicros(micros, currency)).toEqual({ ok: true, value: minor }),
  )
  it.each([
    ['5000001', 'EUR', 'finer'],
    ['5500000', 'JPY', 'finer'],
    ['999999999999999999', 'KWD', ''],
  ])('%s micros of %s are refused or exact', (micros, currency, words) => {
    const result = minorOfMicros(micros, currency)
    expect(result.ok ? '' : result.error).toContain(words)
  })
  it('less than nothing, too large or in no currency is named, and the rest is taken', () => {
    const slip = { does: 'tip', slip: 's', at: '2026-11-25T00:40:10Z', amount: 5, currency: 'EUR', from: null }
    const translation = adapterOf('till').translate(
      {
        slips: [
          { ...slip, amount: -1 },
          { ...slip, amount: 2 ** 60 },
          { ...slip, currency: 'euro' },
          { ...slip, amount: 0.5 },
          slip,
        ],
      },
      'f',
    )
    expect([translation?.events.length, translation?.rejected.length]).toEqual([1, 4])
  })
  it('ten thousand months and a batch of none are taken as they are; NaN, nothing and half a month are named', () => {
    const of = (topic: string, detail: object) =>
      adapterOf('alder').translate(
        {
          entries: [{ id: '01JDHTB0000000000000000001', topic, moment: '2026-11-25T00:40:10Z', person: null, detail }],
        },
        'f',
      )
    expect(of('standing.renewed', { tier: 'I', months: 10_000 })?.events[0]?.data).toMatchObject({ months: 10_000 })
    expect(of('gift.batch', { tier: 'I', pieces: 0, batch: 'b' })?.events[0]?.data).toMatchObject({ count: 0 })
    for (const months of [NaN, null, 2.5, -1, 2 ** 60, '12'])
      expect(of('standing.renewed', { tier: 'I', months })).toMatchObject({
        events: [],
        rejected: [expect.stringContaining('entries.0')],
      })
  })
  it('a batch that claims five and brings seven keeps all of them', () => {
    const gift = (payloads.alder ?? []).find(({ kind }) => kind === 'giftRecipient')?.payload as {
      entries: { id: string }[]
    }
    const seven = Array.from({ length: 7 }, (_, index) => ({
      ...gift.entries[0],
      id: `01JDHTB0${String(index).padStart(18, '0')}`,
    }))
    expect(adapterOf('alder').translate({ entries: seven }, 'f')?.events).toHaveLength(7)
  })
})
