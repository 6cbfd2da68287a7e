import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cedar } from './cedar.ts'

const at = '2026-11-25T00:40:10Z'
const who = { ref: 'cu-1', shown_as: 'pip_rye' }
const translate = (...notices: unknown[]) => cedar.translate({ sent_at: at, notices }, 'feed-cedar')

describe('cedar', () => {
  it('understands follows, raids and tips', () => {
    expect(
      translate(
        { what: 'new_follow', at, who },
        { what: 'raid', ref: 'r-1', at, who, brought: 64 },
        { what: 'tip', ref: 't-1', at, who: null, sum: '25.00', money: 'EUR', words: 'o pão' },
      )?.events,
    ).toEqual([
      {
        source: 'feed:feed-cedar',
        externalId: expect.stringMatching(/^follow-[0-9a-f]{32}$/),
        kind: 'follow',
        occurredAtMs: Date.parse(at),
        data: { viewer: { id: 'cu-1', name: 'pip_rye' } },
      },
      {
        source: 'feed:feed-cedar',
        externalId: 'raid-r-1',
        kind: 'raid',
        occurredAtMs: Date.parse(at),
        data: { viewer: { id: 'cu-1', name: 'pip_rye' }, partySize: 64 },
      },
      {
        source: 'feed:feed-cedar',
        externalId: 'tip-t-1',
        kind: 'tip',
        occurredAtMs: Date.parse(at),
        data: { viewer: null, amountMinor: 2500, currency: 'EUR', message: { text: 'o pão' } },
      },
    ])
  })

  it('derives the same id for the same follow, another for another viewer or minute', () => {
    const idOf = (notice: unknown) => translate(notice)?.events[0]?.externalId
    const first = idOf({ what: 'new_follow', at, who })
    expect(idOf({ who: { ...who, shown_as: 'renamed since' }, at: '2026-11-25T00:40:55Z', what: 'new_follow' })).toBe(
      first,
    )
    expect(idOf({ what: 'new_follow', at, who: { ...who, ref: 'cu-2' } })).not.toBe(first)
    expect(idOf({ what: 'new_follow', at: '2026-11-25T00:41:00Z', who })).not.toBe(first)
  })

  it('takes what it understands and names the rest', () => {
    const translation = translate(
      { what: 'new_follow', at, who },
      { what: 'haircut', at },
      { what: 'tip', ref: 't', at, who, sum: '1,50', money: 'EUR' },
      { what: 'tip', ref: 't', at, who, sum: '1.50', money: 'euro' },
    )
    expect(translation?.events).toHaveLength(1)
    expect(translation?.rejected.map((line) => line.split(':')[0])).toEqual(['notices.1', 'notices.2', 'notices.3'])
  })

  it('shortens a name or a message that is absurdly long instead of losing the event', () => {
    const [event] =
      translate({
        what: 'tip',
        ref: 't',
        at,
        who: { ref: 'x', shown_as: 'n'.repeat(1500) },
        sum: '1',
        money: 'EUR',
        words: 'w'.repeat(4000),
      })?.events ?? []
    expect(event?.data.viewer?.name).toHaveLength(500)
    expect(event?.data.message?.text).toHaveLength(2000)
  })

  it.each([null, 7, 'text', [], {}, { notices: [] }, { notices: 'x' }])(
    'knows that %j is no payload of its own',
    (payload) => expect(cedar.translate(payload, 'f')).toBeNull(),
  )

  it('never throws, whatever a notice holds', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.anything(),
            fc.record({
              what: fc.constantFrom('new_follow', 'raid', 'tip'),
              ref: fc.anything(),
              at: fc.constant(at),
              who: fc.anything(),
              brought: fc.anything(),
              sum: fc.string(),
              money: fc.string(),
            }),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        (notices) => {
          const translation = cedar.translate({ notices }, 'f')
          expect((translation?.events.length ?? 0) + (translation?.rejected.length ?? 0)).toBe(notices.length)
        },
      ),
    )
  })
})
