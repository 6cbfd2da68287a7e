import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { comes, playOf } from '../../test/arrange/policyNight.ts'
import { joined, reached, run } from '../../test/arrange/queueRun.ts'
import { forecast } from './forecast.ts'
import { readyPolicy, usualPolicy, type BoxPolicy } from './policy.ts'
import { simulate } from './simulate.ts'

const of = (policy: BoxPolicy) => readyPolicy(policy)

describe('when those that wait are likely to begin', () => {
  it('is when they do, where nothing else comes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2000, max: 9000 }), { minLength: 1, maxLength: 20 }),
        fc.integer({ min: 2, max: 12 }),
        fc.boolean(),
        (lengths, waiting, hasShare) => {
          const policy = of([
            { rule: 'gap', isOn: true, ms: 400 },
            { rule: 'elastic', isOn: true, waiting, lastMs: null },
            { rule: 'airtime', isOn: hasShare, percent: 40 },
          ])
          const tickets = lengths.map((lengthMs, at) =>
            playOf(`p${at}`, at, { several: null, shortestMs: 2000 }, { lengthMs }),
          )
          const held = run(
            [
              [0, joined('stage')],
              [0, { type: 'held', isHeld: true }],
              [0, comes(...tickets)],
            ],
            undefined,
            policy,
          )
          const freed = { ...held.state, isHeld: false }
          const said = new Map(
            forecast(freed, 100, policy, 99).map((each) => [each.waiting.ticket.playId, each.startsAtMs]),
          )
          const { shown } = simulate([[100, comes(...tickets)]], policy, { readyMs: 0 })
          for (const { playId, fromMs } of shown) expect(Math.abs(fromMs - (said.get(playId) ?? 0))).toBeLessThan(5)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('is unknown where the line stands still, and says why', () => {
    const policy = of(usualPolicy)
    const waits = [0, comes(playOf('p', 0))] as const
    const why = (inputs: Parameters<typeof run>[0]) => forecast(run(inputs, undefined, policy).state, 10, policy, 9)[0]
    expect(why([waits])).toMatchObject({ startsAtMs: null, why: { because: 'noSource' } })
    expect(why([[0, { type: 'held', isHeld: true }], waits])).toMatchObject({ why: { because: 'held' } })
    expect(
      why([
        [0, joined('a')],
        [0, { type: 'quieted', quiet: { does: 'collect', why: 'quiet from 01:00 to 02:00' } }],
        waits,
      ]),
    ).toMatchObject({ startsAtMs: null, why: { because: 'quiet', why: 'quiet from 01:00 to 02:00' } })
  })
  it('says who waits for somebody, and whom the share of airtime keeps', () => {
    const asking = of([
      { rule: 'approve', isOn: true, kinds: ['raid'], isFlagged: false, withinMs: 60_000 },
      { rule: 'airtime', isOn: true, percent: 10 },
    ])
    const { state } = run(
      [
        [0, joined('a')],
        [0, comes(playOf('first', 0, { several: null }))],
        [1, reached('a', 'first', 'ready')],
        [5001, reached('a', 'first', 'done')],
        [5002, comes(playOf('next', 5002, { several: null }), playOf('raid', 5002, { kind: 'raid' }))],
      ],
      undefined,
      asking,
    )
    expect(forecast(state, 5500, asking, 9)).toMatchObject([
      { waiting: { ticket: { playId: 'next' } }, why: { because: 'airtime' } },
      { waiting: { ticket: { playId: 'raid' } }, startsAtMs: null, why: { because: 'showing', untilMs: 65_002 } },
    ])
  })
})
