import { describe, expect, it } from 'vitest'
import { joined, left, reached, run } from '../../test/arrange/queueRun.ts'
import { comes, playOf } from '../../test/arrange/policyNight.ts'
import { readyPolicy, usualPolicy, type BoxPolicy } from './policy.ts'
import { allowedFromMs } from './rules/airtime.ts'
import { isWithinHours } from '../time/isWithinHours.ts'
import { quietAt } from './rules/quiet.ts'
import { simulate } from './simulate.ts'
import type { emptyQueue, QueueInput } from './state.ts'

type Inputs = readonly (readonly [number, QueueInput])[]
const under = (policy: BoxPolicy) => (inputs: Inputs, from?: typeof emptyQueue) =>
  run(inputs, from, readyPolicy(policy))
const idsOf = (tickets: readonly { playId: string }[]) => tickets.map(({ playId }) => playId)

/** A play that keeps the screen while others come. */
const busy: Inputs = [
  [0, joined('a')],
  [0, comes(playOf('first', 0, { kind: 'raid', alertId: 'raid', several: null }, { lengthMs: 20_000 }))],
  [1, reached('a', 'first', 'ready')],
]

describe('follows that wait become one', () => {
  const merge = under([
    { rule: 'merge', isOn: true, kinds: ['follow', 'tip'], withinMs: 10_000, below: 500, isEvenWritten: false },
  ])
  const tip = { kind: 'tip' as const, alertId: 'tip' }

  it('within their time, counted from the first of them', () => {
    const { waiting, of } = run(
      [
        ...busy,
        ...[1000, 9000, 11_000, 11_001, 12_000].map(
          (atMs, index) => [atMs, comes(playOf(`p${index}`, atMs, { amount: 0 }))] as const,
        ),
      ],
      undefined,
      readyPolicy([
        { rule: 'merge', isOn: true, kinds: ['follow'], withinMs: 10_000, below: null, isEvenWritten: false },
      ]),
    )
    expect(waiting.map(({ playId, together }) => [playId, together?.count])).toEqual([
      ['p0', 3],
      ['p3', 2],
    ])
    expect(of('recordEnded').map(({ playId, outcome, into }) => [playId, outcome, into])).toEqual([
      ['p1', 'merged', 'p0'],
      ['p2', 'merged', 'p0'],
      ['p4', 'merged', 'p3'],
    ])
  })
  it('but not where something large was given, nor where a viewer wrote something, nor tests', () => {
    const { waiting } = merge([
      ...busy,
      [1000, comes(playOf('p0', 1000, { ...tip, amount: 300 }))],
      [1001, comes(playOf('p1', 1001, { ...tip, amount: 500 }))],
      [1002, comes(playOf('p2', 1002, { ...tip, amount: 200, hasWords: true }))],
      [1003, comes(playOf('p3', 1003, { ...tip, amount: null }))],
      [1004, comes(playOf('p4', 1004, { ...tip, amount: 100, isTest: true }))],
      [1005, comes(playOf('p5', 1005, { ...tip, amount: 150, several: null }))],
      [1006, comes(playOf('p6', 1006, { ...tip, amount: 150 }))],
    ])
    expect(idsOf(waiting)).toEqual(['p0', 'p1', 'p2', 'p3', 'p4', 'p5'])
    expect(waiting[0]?.together).toEqual({ count: 2, total: 450 })
  })
  it('and last as long as their case for several', () => {
    const { waiting } = merge([
      ...busy,
      [1, comes(playOf('p0', 1, { ...tip, amount: 1 }), playOf('p1', 2, { ...tip, amount: 2 }))],
    ])
    expect(waiting).toMatchObject([{ playId: 'p0', lengthMs: 6000, facts: { shortestMs: 4000 } }])
  })
  it('and never join what somebody put before all others', () => {
    const { waiting } = merge([
      ...busy,
      [1, comes(playOf('p0', 1, { ...tip, amount: 1 }))],
      [2, { type: 'movedUp', playId: 'p0' }],
      [3, comes(playOf('p1', 3, { ...tip, amount: 2 }))],
    ])
    expect(idsOf(waiting)).toEqual(['p0', 'p1'])
  })
})

describe('gifts that were given together', () => {
  const gifts = under([{ rule: 'gifts', isOn: true }])
  const batch = (playId: string, atMs: number) =>
    playOf(playId, atMs, { kind: 'giftBatch', gifts: { id: 'g', isHead: true, promised: 5 } })
  const received = (playId: string, atMs: number) =>
    playOf(playId, atMs, { kind: 'giftRecipient', gifts: { id: 'g', isHead: false, promised: 0 } })

  it('take in who received them, however many there are, before they are announced and after', () => {
    const recipients = Array.from({ length: 7 }, (_, index) => `r${index}`)
    const { waiting, of } = gifts([
      ...busy,
      [10, comes(received('r0', 10))],
      [20, comes(batch('b', 20))],
      ...recipients.slice(1).map((id, index) => [30 + index, comes(received(id, 30 + index))] as const),
    ])
    expect(waiting).toMatchObject([{ playId: 'b', brought: 7 }])
    expect(of('recordEnded').map(({ playId, into }) => [playId, into])).toEqual(recipients.map((id) => [id, 'b']))
  })
  it('are told with what announced them also when that was shown already', () => {
    const { of } = gifts([
      [0, joined('a')],
      [0, comes(batch('b', 0))],
      [1, reached('a', 'b', 'ready')],
      [5001, reached('a', 'b', 'done')],
      [6000, comes(received('r', 6000))],
    ])
    expect(of('recordEnded').at(-1)).toMatchObject({ playId: 'r', outcome: 'merged', into: 'b' })
  })
  it('that nobody announces within three seconds are shown by themselves', () => {
    const { waiting, of } = gifts([
      [0, joined('a')],
      [0, comes(received('r', 0))],
      [2999, { type: 'ticked' }],
    ])
    expect([idsOf(waiting), of('prepare')]).toEqual([['r'], []])
    expect(
      gifts([
        [0, joined('a')],
        [0, comes(received('r', 0))],
        [3000, { type: 'ticked' }],
      ]).of('prepare'),
    ).toHaveLength(1)
  })
})

describe('who goes first', () => {
  const first = under(usualPolicy)
  it('is the raid and the large tip, then what came', () => {
    const tip = (playId: string, atMs: number, amount: number) =>
      playOf(playId, atMs, { kind: 'tip', alertId: 'tip', amount, several: null })
    const { waiting } = first([
      ...busy,
      [1000, comes(playOf('f', 1000, { several: null }))],
      [2000, comes(tip('small', 2000, 300))],
      [3000, comes(tip('large', 3000, 2500))],
      [4000, comes(playOf('raid', 4000, { kind: 'raid', alertId: 'raid' }))],
    ])
    expect(idsOf(waiting)).toEqual(['large', 'raid', 'f', 'small'])
  })
  it('is whatever somebody wants next, the last wish first', () => {
    const { waiting } = first([
      ...busy,
      ...['p0', 'p1', 'p2'].map((id, at) => [at, comes(playOf(id, at, { several: null }))] as const),
      [10, { type: 'movedUp', playId: 'p1' }],
      [11, { type: 'movedUp', playId: 'p2' }],
      [12, { type: 'movedUp', playId: 'unknown' }],
    ])
    expect(idsOf(waiting)).toEqual(['p2', 'p1', 'p0'])
  })
  it('gives way last where the line is full', () => {
    const { of } = under([...usualPolicy, { rule: 'room', isOn: true, atMost: 2 }])([
      ...busy,
      [1, comes(playOf('raid', 1, { kind: 'raid' }))],
      [2, comes(playOf('p0', 2, { several: null }))],
      [3, comes(playOf('p1', 3, { several: null }))],
    ])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p0', outcome: 'expired', reason: 'more than 2 were waiting' }])
  })
})

describe('what has waited too long', () => {
  const aged = under([{ rule: 'age', isOn: true, kinds: null, ms: 10_000 }])
  it('is let go, and says how long it waited', () => {
    const { of } = aged([...busy, [1000, comes(playOf('p', 1000))], [11_000, { type: 'ticked' }]])
    expect(of('recordEnded')).toMatchObject([
      { playId: 'p', outcome: 'expired', reason: 'it had waited 10 s', atMs: 11_000 },
    ])
  })
  it('grows no older while the line is held', () => {
    const held = aged([
      ...busy,
      [1000, comes(playOf('p', 1000))],
      [6000, { type: 'held', isHeld: true }],
      [100_000, { type: 'held', isHeld: false }],
      [104_999, { type: 'ticked' }],
    ])
    expect(held.of('recordEnded').filter(({ playId }) => playId === 'p')).toEqual([])
    expect(
      aged([
        ...busy,
        [1000, comes(playOf('p', 1000))],
        [1000, left('a')],
        [6000, { type: 'held', isHeld: true }],
        [100_000, { type: 'held', isHeld: false }],
        [105_000, { type: 'ticked' }],
      ]).of('recordEnded'),
    ).toMatchObject([{ playId: 'p', outcome: 'expired' }])
  })
  it('is not let go by a clock that jumps back, and a hold that ends before it began costs nothing', () => {
    const { of, waiting } = aged([
      ...busy,
      [9000, comes(playOf('p', 9000))],
      [9500, { type: 'held', isHeld: true }],
      [2000, { type: 'held', isHeld: false }],
      [2001, { type: 'ticked' }],
    ])
    expect([of('recordEnded'), idsOf(waiting)]).toEqual([[], ['p']])
  })
  it('by a sentence about its kind, rather than by one about all', () => {
    const both = under([
      { rule: 'age', isOn: true, kinds: null, ms: 5_000 },
      { rule: 'age', isOn: true, kinds: ['raid'], ms: 60_000 },
    ])
    const { waiting } = both([
      ...busy,
      [1, comes(playOf('raid', 1, { kind: 'raid' }), playOf('f', 2))],
      [10_000, { type: 'ticked' }],
    ])
    expect(idsOf(waiting)).toEqual(['raid'])
  })
})

describe('when much waits', () => {
  const many = (count: number) =>
    comes(...Array.from({ length: count }, (_, at) => playOf(`p${at}`, at, { several: null })))
  it('alerts are short, until it is calm again', () => {
    const { shown } = simulate([[0, many(6)]], readyPolicy([{ rule: 'elastic', isOn: true, waiting: 4, lastMs: null }]))
    expect(shown.map(({ isShort, fromMs, untilMs }) => [isShort, untilMs - fromMs])).toEqual([
      [true, 3000],
      [true, 3000],
      [true, 3000],
      [false, 5000],
      [false, 5000],
      [false, 5000],
    ])
  })
  it('or when the last would wait too long', () => {
    const { shown } = simulate(
      [[0, many(3)]],
      readyPolicy([{ rule: 'elastic', isOn: true, waiting: 99, lastMs: 12_000 }]),
    )
    expect(shown.map(({ isShort }) => isShort)).toEqual([true, false, false])
  })
})

describe('airtime', () => {
  it('is free from the moment at which no minute has more than its share', () => {
    const aired = [
      { fromMs: 0, untilMs: 10_000 },
      { fromMs: 20_000, untilMs: 30_000 },
    ]
    // 30 s of a minute: 10 more fit once the first ten are out of the minute that ends with it.
    expect(allowedFromMs(aired, 10_000, 31_000, 50)).toBe(31_000)
    expect(allowedFromMs(aired, 15_000, 31_000, 50)).toBe(50_000)
    expect(allowedFromMs(aired, 40_000, 31_000, 50)).toBe(50_000)
    expect(allowedFromMs(aired, 60_000, 31_000, 50)).toBe(31_000)
    expect(allowedFromMs(aired, 40_000, 31_000, null)).toBe(31_000)
  })
})

describe('what there is nothing to see of', () => {
  const beside = under([{ rule: 'beside', isOn: true, kinds: ['applause'], atMost: 1 }])
  it('sounds beside what is shown, so many at once, and can be stopped', () => {
    const { of } = beside([
      ...busy,
      [10, comes(playOf('p0', 10, { isOnlyHeard: true }), playOf('p1', 10, { kind: 'applause' }))],
      [20, { type: 'removed', playId: 'p0', outcome: 'skipped', reason: 'skipped by tallowmoth' }],
      [5020, { type: 'ticked' }],
    ])
    expect(of('sound').map(({ playId, atMs }) => [playId, atMs])).toEqual([
      ['p0', 10],
      ['p1', 20],
    ])
    expect(of('recordEnded').map(({ playId, outcome }) => [playId, outcome])).toEqual([
      ['p0', 'skipped'],
      ['p1', 'played'],
    ])
    expect(of('stop')).toMatchObject([{ playId: 'p0' }])
  })
})

describe('quiet', () => {
  const shown: QueueInput = { type: 'quieted', quiet: { does: 'letGo', why: '“Back in five” is shown' } }
  it('collects what comes, or lets it go', () => {
    const still = under([])
    const { waiting, of } = still([
      [0, joined('a')],
      [0, { type: 'quieted', quiet: { does: 'collect', why: 'quiet from 01:00 to 02:00' } }],
      [1, comes(playOf('p0', 1))],
      [2, shown],
      [3, comes(playOf('p1', 3))],
    ])
    expect(idsOf(waiting)).toEqual(['p0'])
    expect(of('recordEnded')).toMatchObject([
      { playId: 'p1', outcome: 'expired', reason: 'let go, as it was quiet: “Back in five” is shown' },
    ])
  })
  it('holds within hours, over midnight too, and while scenes are shown', () => {
    const night = { from: 1380, until: 120 }
    expect([isWithinHours(night, 60), isWithinHours(night, 130), isWithinHours({ from: 0, until: 0 }, 5)]).toEqual([
      true,
      false,
      true,
    ])
    const sentences = readyPolicy([
      { rule: 'quiet', isOn: true, when: { is: 'scenes', scenes: ['Back in five'] }, does: 'collect' },
      { rule: 'quiet', isOn: true, when: { is: 'hours', from: 60, until: 120 }, does: 'letGo' },
    ]).quiets
    expect(quietAt(sentences, { minuteOfDay: 70, scene: 'Oven cam' })?.does).toBe('letGo')
    expect(quietAt(sentences, { minuteOfDay: 70, scene: 'Back in five' })?.does).toBe('collect')
    expect(quietAt(sentences, { minuteOfDay: 20, scene: null })).toBeNull()
  })
})

describe('what somebody has to let be shown', () => {
  const policy: BoxPolicy = [{ rule: 'approve', isOn: true, kinds: ['raid'], isFlagged: true, withinMs: 60_000 }]
  const asked = under(policy)
  const before: Inputs = [
    [0, joined('a')],
    [0, comes(playOf('p0', 0, { isFlagged: true }), playOf('p1', 1, { kind: 'raid' }), playOf('p2', 2))],
  ]
  it('waits aside, and is shown in its old place or not at all', () => {
    const { of, waiting } = asked([
      ...before,
      [10, { type: 'judged', playId: 'p0', isLet: false, reason: 'not let by Isaura Pinto' }],
      [11, { type: 'judged', playId: 'p0', isLet: true, reason: '' }],
    ])
    expect([of('prepare').map(({ playId }) => playId), idsOf(waiting)]).toEqual([['p2'], ['p1']])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p0', outcome: 'withheld', reason: 'not let by Isaura Pinto' }])
  })
  it('is not shown where nobody said anything in time', () => {
    const { of } = asked([...before, [60_000, { type: 'ticked' }]])
    expect(of('recordEnded')[0]).toMatchObject({
      playId: 'p0',
      outcome: 'withheld',
      reason: 'nobody let it be shown within 1 minute',
    })
  })
  it('need not wait any more where the policy asks nobody now', () => {
    const { state } = asked(before)
    const { waiting, of } = run([[20, { type: 'policyChanged' }]], state, readyPolicy([]))
    expect(idsOf(waiting)).toEqual(['p0', 'p1'])
    expect(of('recordEnded')).toEqual([])
    expect(waiting.length).toBe(2)
  })
})

describe('a line that is cleared', () => {
  const policy = readyPolicy(usualPolicy)
  const three = ['p0', 'p1', 'p2'].map((id, at) => playOf(id, at, { several: null }))
  const cleared: QueueInput = { type: 'cleared', reason: 'cleared by Isaura Pinto' }
  const before = run(
    [...busy, [1, comes(...three)], [10, { type: 'movedUp', playId: 'p2' }], [20, cleared]],
    undefined,
    policy,
  )

  it('is empty at once, and ends for good after ten seconds', () => {
    expect([before.waiting, before.of('recordEnded')]).toEqual([[], []])
    const { of } = run(
      [
        [10_019, { type: 'ticked' }],
        [10_020, { type: 'ticked' }],
      ],
      before.state,
      policy,
    )
    expect(of('recordEnded').map(({ playId, outcome, reason, atMs }) => [playId, outcome, reason, atMs])).toEqual(
      ['p2', 'p0', 'p1'].map((id) => [id, 'skipped', 'cleared by Isaura Pinto', 10_020]),
    )
  })
  it('can be put back as it was, among what came meanwhile', () => {
    const { waiting, of } = run(
      [
        [5000, comes(playOf('p3', 5000, { several: null }))],
        [6000, { type: 'putBack' }],
        [20_000, { type: 'ticked' }],
      ],
      before.state,
      policy,
    )
    expect(idsOf(waiting)).toEqual(['p2', 'p0', 'p1', 'p3'])
    expect(of('recordEnded')).toEqual([])
  })
  it('is cleared for good by being cleared once more', () => {
    const { of, waiting } = run(
      [
        [30, comes(playOf('p3', 30, { several: null }))],
        [40, cleared],
      ],
      before.state,
      policy,
    )
    expect([of('recordEnded').map(({ playId }) => playId), waiting]).toEqual([['p2', 'p0', 'p1'], []])
  })
})
