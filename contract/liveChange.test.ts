import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ChannelLive } from './channelLive.ts'
import { changedList, listChange } from './listChange.ts'
import { changedLive, liveChange } from './liveChange.ts'
import type { DeskView, PlayView, SourceView } from './views.ts'

/** Few ids and few states, so that lists share members, some of which say something else. */
const item = fc.record({ id: fc.constantFrom(...'abcdefgh'), state: fc.constantFrom('waiting', 'played') })
const items = fc.uniqueArray(item, { selector: ({ id }) => id })

describe('how a list becomes another', () => {
  it('is told so that whoever has the one gets the other, and keeps what stays', () => {
    fc.assert(
      fc.property(items, items, (before, after) => {
        const change = listChange(before, after)
        if (!change) {
          expect(before).toEqual(after)
          return
        }
        const reached = changedList(before, JSON.parse(JSON.stringify(change)))
        expect(reached).toEqual(after)
        if ('all' in change) return
        const come = new Set(change.come.map(({ at }) => at))
        reached.forEach((each, at) => {
          if (!come.has(at)) expect(before).toContain(each)
        })
      }),
    )
  })

  it('says little where little changed, and nothing where nothing did', () => {
    const log = Array.from({ length: 60 }, (_, at) => ({ id: `p${at}`, state: 'played' }))
    const next = { id: 'new', state: 'expired' }
    expect(listChange(log, structuredClone(log))).toBeNull()
    expect(listChange(log, [next, ...log.slice(0, 59)])).toEqual({ gone: ['p59'], come: [{ at: 0, item: next }] })
  })
})

describe('what changed of a channel', () => {
  const desk = fc.record({
    boxId: fc.constantFrom('box-1', 'box-2', 'box-3'),
    isHeld: fc.boolean(),
    waiting: items as unknown as fc.Arbitrary<PlayView[]>,
    forecast: fc.array(
      fc.record({
        playId: fc.constantFrom('p1', 'p2'),
        startsAtMs: fc.option(fc.nat(2)),
        why: fc.constant({ because: 'turn' as const }),
      }),
      { maxLength: 2 },
    ),
    waitingCount: fc.nat(3),
    cleared: fc.option(fc.record({ count: fc.nat(2), untilMs: fc.nat(2), reason: fc.constant('cleared') })),
    current: fc.option(item) as unknown as fc.Arbitrary<PlayView | null>,
    log: items as unknown as fc.Arbitrary<PlayView[]>,
    sources: items as unknown as fc.Arbitrary<SourceView[]>,
  }) satisfies fc.Arbitrary<DeskView>
  const live: fc.Arbitrary<ChannelLive> = fc.record({
    ridge: fc.record({
      feeds: fc.record({ linked: fc.nat(2), lastDeliveryAtMs: fc.option(fc.nat(2)) }),
      boxes: fc.record({ count: fc.nat(2), differing: fc.nat(2), neverOnAir: fc.nat(1) }),
      triggers: fc.record({ armed: fc.nat(2), running: fc.nat(1), waiting: fc.nat(1) }),
      desk: fc.record({ sources: fc.nat(2), waiting: fc.nat(2), isPlaying: fc.boolean(), isHeld: fc.boolean() }),
    }),
    desks: fc.uniqueArray(desk, { selector: ({ boxId }) => boxId }),
    boards: fc.array(fc.record({ boardId: fc.constantFrom('a', 'b'), sources: fc.constant([]) }), { maxLength: 2 }),
    libraryRevision: fc.nat(2),
    databaseTrouble: fc.constantFrom(null, 'gone' as const, 'full' as const),
    voicesAreOn: fc.boolean(),
    goalsRevision: fc.nat(2),
    sponsorsRevision: fc.nat(2),
    calls: fc.record({
      revision: fc.nat(2),
      armed: fc.nat(2),
      runs: items,
      tasks: items,
      buttons: fc.constant([]),
      studio: fc.record({ isLinked: fc.boolean() }),
    }) as unknown as fc.Arbitrary<ChannelLive['calls']>,
  })

  it('leads from any moment to any other, through words', () => {
    fc.assert(
      fc.property(live, live, (before, after) => {
        const change = liveChange(before, after)
        expect(change ? changedLive(before, JSON.parse(JSON.stringify(change))) : before).toEqual(after)
      }),
    )
  })

  it('is nothing from a moment to the same one read again', () => {
    fc.assert(
      fc.property(live, (moment) => {
        expect(liveChange(moment, structuredClone(moment))).toBeNull()
      }),
    )
  })

  it('leaves desks and plays that it does not name the very same objects', () => {
    const play = { id: 'p' } as PlayView
    const desks = ['box-1', 'box-2'].map((boxId) => ({ boxId, waiting: [play], log: [], sources: [] })) as never[]
    const before = { desks } as unknown as ChannelLive
    const after = changedLive(before, { desks: [{ boxId: 'box-1', isHeld: true }] })
    expect(after.desks[1]).toBe(before.desks[1])
    expect(after.desks[0]?.waiting).toBe(before.desks[0]?.waiting)
    expect(after.desks[0]?.isHeld).toBe(true)
  })
})
