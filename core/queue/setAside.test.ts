import { describe, expect, it } from 'vitest'
import { enqueued, joined, reached, run } from '../../test/arrange/queueRun.ts'
import { isSetAside } from './advance.ts'
import { plainPolicy } from './policy.ts'
import { ShownMemory } from './shownMemory.ts'

describe('a source that answers and is never ready', () => {
  /** One after another; only `a` ever becomes ready. @returns how long each waited for `b` */
  function nights(count: number) {
    let state = run([
      [0, joined('a')],
      [0, joined('b')],
    ]).state
    const waits: number[] = []
    for (let index = 0; index < count; index++) {
      const fromMs = index * 60_000
      const begun = run(
        [
          [fromMs, enqueued(`p${index}`, fromMs)],
          [fromMs + 10, reached('a', `p${index}`, 'ready')],
          [fromMs + plainPolicy.prepareMaxMs, { type: 'ticked' }],
          [fromMs + 5000, reached('a', `p${index}`, 'started')],
          [fromMs + 20_000, { type: 'ticked' }],
        ],
        state,
      )
      state = begun.state
      waits.push((begun.of('start')[0]?.atMs ?? NaN) - fromMs)
    }
    return { state, waits }
  }

  it('costs two alerts their time and no more, and still gets them', () => {
    const { state, waits } = nights(4)
    expect(waits).toEqual([plainPolicy.prepareMaxMs, plainPolicy.prepareMaxMs, 10, 10])
    expect([isSetAside(state, 'a'), isSetAside(state, 'b')]).toEqual([false, true])
    expect(run([[500_000, enqueued('p9')]], state).of('prepare')).toMatchObject([{ sourceIds: ['a', 'b'] }])
  })
  it('is waited for again once it was ready', () => {
    const { state } = nights(3)
    const again = run(
      [
        [500_000, enqueued('p9', 500_000)],
        [500_010, reached('b', 'p9', 'ready')],
      ],
      state,
    )
    expect(isSetAside(again.state, 'b')).toBe(false)
  })
  it('is waited for where there is no other', () => {
    const alone = { ...run([[0, joined('b')]]).state, sources: { b: { shown: ShownMemory.of([]), missed: 5 } } }
    const { of } = run(
      [
        [10, enqueued('p1')],
        [3000, reached('b', 'p1', 'ready')],
      ],
      alone,
    )
    expect(of('start')).toMatchObject([{ sourceIds: ['b'] }])
  })
})
