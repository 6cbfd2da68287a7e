import { describe, expect, it } from 'vitest'
import type { BroadcastReport } from '../../../core/broadcast/report.ts'
import { sumWords, whenWords } from './afterWords.ts'

const told = { locale: 'en-IE', currency: 'EUR', timeZone: 'UTC' }
const empty: BroadcastReport = {
  ...{ count: 0, slotMs: 900_000, kinds: [], outcomes: [], waits: [], boxes: [], minor: 0, gifts: 0 },
  ...{ givers: [], gifters: [], thanks: [] },
}

describe('what is said of a broadcast', () => {
  it('names the day on which it began', () => {
    const british = { ...told, locale: 'en-GB' }
    const of = { id: 'b', begunBy: 'hand', endedBy: 'hand', beganAtMs: Date.UTC(2026, 10, 24, 22) } as const
    expect(whenWords({ ...of, endedAtMs: Date.UTC(2026, 10, 25, 4) }, british)).toBe(
      'Tuesday 24 November, 22:00 – 04:00',
    )
    expect(whenWords({ ...of, endedAtMs: null }, british)).toBe('Tuesday 24 November, 22:00 – now')
  })
  it('counts what happened and what was given', () => {
    const kind = (of: BroadcastReport['kinds'][number]['kind'], count: number) => ({
      kind: of,
      count,
      perSlot: [count],
    })
    const kinds = [
      kind('follow', 471),
      kind('tip', 64),
      kind('raid', 1),
      kind('subscription', 48),
      kind('applause', 26),
    ]
    expect(sumWords({ ...empty, count: 610, kinds, minor: 64_100, gifts: 73 }, told)).toEqual([
      '610 things happened: 471 follows, 64 tips, 1 raid, 48 subscriptions and 26 more.',
      'Viewers gave €641.00 and 73 subscriptions for others.',
    ])
    expect(sumWords(empty, told)).toEqual(['Nothing happened in it yet.'])
    expect(sumWords({ ...empty, count: 1, kinds: [kind('follow', 1)] }, told)).toEqual(['1 thing happened: 1 follow.'])
  })
})
