import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { enqueued, joined, left, reached, removed, run, ticket, waitingIn } from '../../test/arrange/queueRun.ts'
import { recoverQueue } from './recover.ts'
import { plainPolicy } from './policy.ts'
import { emptyQueue, type QueueInput } from './state.ts'
import { nextWakeMs } from './advance.ts'
import { step } from './step.ts'

describe('one source', () => {
  it('prepares, starts when ready, ends when done, then takes the next after the gap', () => {
    const { of, state } = run([
      [0, joined('a')],
      [10, enqueued('p1', 10)],
      [11, enqueued('p2', 11)],
      [40, reached('a', 'p1', 'ready')],
      [50, reached('a', 'p1', 'started')],
      [5050, reached('a', 'p1', 'done')],
      [5100, { type: 'ticked' }],
      [5450, { type: 'ticked' }],
    ])
    expect(of('prepare').map((command) => [command.playId, command.atMs])).toEqual([
      ['p1', 10],
      ['p2', 5450],
    ])
    expect(of('start')).toMatchObject([{ playId: 'p1', offsetMs: 0, atMs: 40 }])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'played', shownCount: 1 }])
    expect(state.current?.ticket.playId).toBe('p2')
  })

  it('ends by time when a source never says that it is done', () => {
    const { of } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [5, reached('a', 'p1', 'ready')],
      [6000, { type: 'ticked' }],
      [6505, { type: 'ticked' }],
    ])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'played', atMs: 6505 }])
  })

  it('gives a play up when nobody becomes ready, and goes on', () => {
    const { of, state } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [0, enqueued('p2')],
      [20_000, { type: 'ticked' }],
      [20_400, { type: 'ticked' }],
    ])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'failed' }])
    expect(state.current?.ticket.playId).toBe('p2')
  })
})

describe('absence', () => {
  it('lets plays wait while nobody is connected', () => {
    const { state, of } = run([
      [0, enqueued('p1')],
      [60_000, { type: 'ticked' }],
    ])
    expect(waitingIn(state).map((each) => each.playId)).toEqual(['p1'])
    expect(of('prepare')).toEqual([])
  })

  it('shows what waited under two minutes and records the rest as expired', () => {
    const { of, state } = run([
      [0, enqueued('old', 0)],
      [100_000, enqueued('young', 100_000)],
      [130_000, joined('a')],
    ])
    expect(of('recordEnded')).toMatchObject([
      { playId: 'old', outcome: 'expired', reason: 'no source was connected for 130 s' },
    ])
    expect(state.current?.ticket.playId).toBe('young')
  })

  it('counts only the time without a source: a flood that waits its turn does not expire at a blink', () => {
    const { of } = run([
      [0, joined('a')],
      ...Array.from({ length: 40 }, (_, index) => [0, enqueued(`p${index}`)] as const),
      [180_000, left('a')],
      [181_000, joined('a')],
    ])
    expect(of('recordEnded').filter((command) => command.outcome === 'expired')).toEqual([])
  })

  it('returns a play to the head of the line when the last source leaves before it started', () => {
    const { state, of } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [1, enqueued('p2')],
      [5, left('a')],
    ])
    expect(waitingIn(state).map((each) => each.playId)).toEqual(['p1', 'p2'])
    expect(of('recordReturned')).toMatchObject([{ playId: 'p1' }])
  })

  it('lets the source itself say whether it showed a play that nobody confirmed', () => {
    const before: [number, QueueInput][] = [
      [0, joined('a')],
      [0, enqueued('p1')],
      [5, reached('a', 'p1', 'ready')],
      [6, left('a')],
    ]
    expect(run(before).state.current?.phase).toBe('unconfirmed')
    const shown = run([...before, [900, joined('b', ['p1'])], [5000, reached('b', 'p1', 'done')]])
    expect(shown.of('prepare')).toHaveLength(1)
    expect(shown.of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'played' }])
    const notShown = run([...before, [900, joined('b')]])
    expect(notShown.of('prepare')).toHaveLength(2)
  })

  it('lets an unconfirmed play that is too old expire as well', () => {
    const { of } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [5, reached('a', 'p1', 'ready')],
      [6, left('a')],
      [200_000, joined('a')],
    ])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'expired' }])
  })
})

describe('a line that is full', () => {
  it('lets the play that waited longest go, and says so', () => {
    const many = Array.from(
      { length: plainPolicy.waitingMax + 2 },
      (_, index) => [index, enqueued(`p${index}`, index)] as const,
    )
    const { state, of } = run(many)
    expect(waitingIn(state)).toHaveLength(plainPolicy.waitingMax)
    expect(of('recordEnded')).toMatchObject([
      { playId: 'p0', outcome: 'expired', reason: 'more than 3000 were waiting' },
      { playId: 'p1' },
    ])
  })
})

describe('several sources', () => {
  const both: [number, QueueInput][] = [
    [0, joined('a')],
    [0, joined('b')],
    [0, enqueued('p1')],
  ]

  it('starts all together when the last is ready', () => {
    const { of } = run([...both, [20, reached('a', 'p1', 'ready')], [90, reached('b', 'p1', 'ready')]])
    expect(of('start')).toMatchObject([{ sourceIds: ['a', 'b'], offsetMs: 0, atMs: 90 }])
  })

  it('does not let one slow source hold the others longer than the policy allows; it joins late, in time', () => {
    const { of } = run([
      ...both,
      [20, reached('a', 'p1', 'ready')],
      [4000, { type: 'ticked' }],
      [5500, reached('b', 'p1', 'ready')],
    ])
    expect(of('start')).toMatchObject([
      { sourceIds: ['a'], offsetMs: 0, atMs: 4000 },
      { sourceIds: ['b'], offsetMs: 1500 },
    ])
  })

  it('takes a newcomer into a running play where the play is, unless it is all but over', () => {
    const playing: [number, QueueInput][] = [
      [0, joined('a')],
      [0, enqueued('p1')],
      [5, reached('a', 'p1', 'ready')],
    ]
    expect(
      run([...playing, [2000, joined('b')], [2100, reached('b', 'p1', 'ready')]])
        .of('start')
        .at(-1),
    ).toMatchObject({ sourceIds: ['b'], offsetMs: 2095 })
    expect(run([...playing, [4700, joined('b')]]).of('prepare')).toHaveLength(1)
  })

  it('counts on how many it was shown', () => {
    const { of } = run([
      ...both,
      [5, reached('a', 'p1', 'ready')],
      [5, reached('b', 'p1', 'ready')],
      [9, reached('a', 'p1', 'started')],
      [9, reached('b', 'p1', 'started')],
      [5000, reached('a', 'p1', 'done')],
      [5001, reached('b', 'p1', 'done')],
    ])
    expect(of('recordEnded')).toMatchObject([{ shownCount: 2, atMs: 5001 }])
    expect(of('recordShown')).toHaveLength(1)
  })

  it('never sends a play to a source that has shown it', () => {
    const { of } = run([
      [0, enqueued('p1')],
      [1, joined('a', ['p1'])],
    ])
    expect(of('prepare')).toEqual([])
    expect(of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'played' }])
  })
})

describe('the desk', () => {
  it('skips what plays and what waits, and only once', () => {
    const { of, state } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [0, enqueued('p2')],
      [0, enqueued('p3')],
      [5, reached('a', 'p1', 'ready')],
      [100, removed('p2')],
      [200, removed('p1')],
      [300, removed('p1')],
    ])
    expect(of('stop')).toMatchObject([{ playId: 'p1' }])
    expect(of('recordEnded').map((command) => [command.playId, command.reason])).toEqual([
      ['p2', 'skipped by Isaura Pinto'],
      ['p1', 'skipped by Isaura Pinto'],
    ])
    expect(waitingIn(state).map((each) => each.playId)).toEqual(['p3'])
  })

  it('holds: what plays plays on, nothing new starts, nothing is lost', () => {
    const held = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [5, reached('a', 'p1', 'ready')],
      [6, { type: 'held', isHeld: true }],
      [7, enqueued('p2')],
      [5000, reached('a', 'p1', 'done')],
      [9000, { type: 'ticked' }],
    ])
    expect(held.of('prepare')).toHaveLength(1)
    expect(run([[9100, { type: 'held', isHeld: false }]], held.state).of('prepare')).toMatchObject([{ playId: 'p2' }])
  })
})

describe('plays that somebody has to let be read', () => {
  const awaiting = (playId: string, atMs: number): QueueInput => ({
    type: 'enqueued',
    tickets: [{ ...ticket(playId, atMs), isAwaiting: true }],
  })
  const { approvalMaxMs } = plainPolicy

  it('wait aside, others pass them', () => {
    const { state, of } = run([
      [0, joined('a')],
      [0, awaiting('p1', 0)],
      [1, enqueued('p2', 1)],
    ])
    expect(of('prepare').map(({ playId }) => playId)).toEqual(['p2'])
    expect(waitingIn(state).map(({ playId }) => playId)).toEqual(['p1'])
  })
  it('go on in their old place once somebody said so', () => {
    const { of } = run([
      [0, joined('a')],
      [0, { type: 'held', isHeld: true }],
      [0, awaiting('p1', 0)],
      [1, enqueued('p2', 1)],
      [2, { type: 'released', playId: 'p1' }],
      [3, { type: 'held', isHeld: false }],
    ])
    expect(of('prepare').map(({ playId }) => playId)).toEqual(['p1'])
  })
  it('go on unread where nobody said anything, and the queue wakes for it', () => {
    const before = run([
      [0, joined('a')],
      [0, awaiting('p1', 0)],
    ])
    expect(nextWakeMs(before.state, 10, plainPolicy)).toBe(approvalMaxMs)
    expect(run([[approvalMaxMs - 1, { type: 'ticked' }]], before.state).of('withhold')).toEqual([])
    const after = run([[approvalMaxMs, { type: 'ticked' }]], before.state)
    expect(after.of('withhold')).toMatchObject([{ playId: 'p1', reason: 'nobody let it be read within 5 minutes' }])
    expect(after.of('prepare')).toMatchObject([{ playId: 'p1' }])
  })
  it('wait aside again after a restart', () => {
    const plays = [
      { ticket: { ...ticket('p1'), isAwaiting: true }, state: 'waiting' as const, startedAtMs: null, shownCount: 0 },
    ]
    expect(run([[1, joined('a')]], recoverQueue(plays, null, false, 0).state).of('prepare')).toEqual([])
  })
})

describe('plays whose voices have spoken', () => {
  it('last as long as they turned out, whether they wait or are being prepared', () => {
    const { state, of } = run([
      [0, joined('a')],
      [0, enqueued('p1', 0, 5000)],
      [0, enqueued('p2', 0, 5000)],
      [5, { type: 'measured', playId: 'p1', lengthMs: 12_000 }],
      [6, { type: 'measured', playId: 'p2', lengthMs: 9000 }],
      [7, { type: 'measured', playId: 'p2', lengthMs: 9000 }],
      [10, reached('a', 'p1', 'ready')],
      [8000, { type: 'ticked' }],
    ])
    expect(of('recordLength').map(({ playId, lengthMs }) => [playId, lengthMs])).toEqual([
      ['p1', 12_000],
      ['p2', 9000],
    ])
    expect(state.current?.ticket).toMatchObject({ playId: 'p1', lengthMs: 12_000 })
    expect(of('recordEnded')).toEqual([])
    expect(waitingIn(state)[0]?.lengthMs).toBe(9000)
  })
})

describe('a play that cannot be prepared for the moment', () => {
  it('goes back to the head of the line and is tried again, before the others', () => {
    const before = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [1, enqueued('p2')],
      [5, { type: 'stalled', playId: 'p1', reason: 'the database does not answer' }],
    ])
    expect(waitingIn(before.state).map(({ playId }) => playId)).toEqual(['p1', 'p2'])
    expect(nextWakeMs(before.state, 6, plainPolicy)).toBe(5 + plainPolicy.stallMs)
    const after = run([[5 + plainPolicy.stallMs, { type: 'ticked' }]], before.state)
    expect(after.of('prepare')).toMatchObject([{ playId: 'p1' }])
    expect(run([[9, { type: 'stalled', playId: 'p2', reason: 'x' }]], after.state).commands).toEqual([])
  })
})

describe('whatever happens, in whatever order', () => {
  const sourceIds = fc.constantFrom('a', 'b', 'c')
  const playIds = fc.integer({ min: 0, max: 9 }).map((number) => `p${number}`)
  const progressed = fc.record({
    sourceId: sourceIds,
    playId: playIds,
    progress: fc.constantFrom('ready' as const, 'started' as const, 'done' as const),
  })
  const anyInput: fc.Arbitrary<QueueInput> = fc.oneof(
    sourceIds.map((id) => joined(id)),
    sourceIds.map(left),
    progressed.map((one) => ({ type: 'sourceProgress' as const, ...one })),
    fc.array(progressed, { maxLength: 6 }).map((heard) => ({ type: 'sourcesProgressed' as const, heard })),
    playIds.map(removed),
    playIds.map((playId) => ({ type: 'stalled' as const, playId, reason: 'the database does not answer' })),
    fc.boolean().map((isHeld) => ({ type: 'held' as const, isHeld })),
    fc.constant({ type: 'ticked' as const }),
    fc.array(fc.boolean(), { minLength: 1, maxLength: 3 }).map((awaiting) => ({
      type: 'enqueued' as const,
      tickets: awaiting.map((isAwaiting) => ({ ...ticket(''), isAwaiting })),
    })),
    playIds.map((playId) => ({ type: 'released' as const, playId })),
    fc.record({
      type: fc.constant('measured' as const),
      playId: playIds,
      lengthMs: fc.integer({ min: 500, max: 40_000 }),
    }),
  )
  const nights = fc.array(fc.tuple(fc.integer({ min: 0, max: 8000 }), anyInput), { maxLength: 80 })

  it('ends every play exactly once or still has it, prepares before it starts, and starts one at a time', () => {
    fc.assert(
      fc.property(nights, (night) => {
        let nowMs = 0
        let number = 0
        const inputs = night.map(([afterMs, input]) => {
          nowMs += afterMs
          return [
            nowMs,
            input.type === 'enqueued'
              ? {
                  ...input,
                  tickets: input.tickets.map((each) => ({ ...each, playId: `p${number++}`, enqueuedAtMs: nowMs })),
                }
              : input,
          ] as const
        })
        const { state, commands, of } = run(inputs)
        const ended = of('recordEnded').map((command) => command.playId)
        const present = [
          ...waitingIn(state).map((each) => each.playId),
          ...(state.current ? [state.current.ticket.playId] : []),
        ]
        expect([...ended, ...present].sort()).toEqual(Array.from({ length: number }, (_, index) => `p${index}`).sort())

        let screen: string | null = null
        const prepared = new Set<string>()
        for (const command of commands) {
          if (command.type === 'prepare')
            for (const sourceId of command.sourceIds) prepared.add(`${sourceId}/${command.playId}`)
          if (command.type === 'start') {
            for (const sourceId of command.sourceIds) expect(prepared).toContain(`${sourceId}/${command.playId}`)
            expect(screen === null || screen === command.playId).toBe(true)
            screen = command.playId
          }
          if ((command.type === 'recordEnded' || command.type === 'recordReturned') && command.playId === screen)
            screen = null
        }
      }),
      { numRuns: 400 },
    )
  })

  it('what sources say at once is as if they had said it one after the other', () => {
    const said = fc.constantFrom(
      ['ready'] as const,
      ['ready', 'started'] as const,
      ['ready', 'started', 'done'] as const,
      [] as const,
    )
    fc.assert(
      fc.property(fc.array(said, { minLength: 1, maxLength: 8 }), fc.boolean(), (sources, isLate) => {
        const ids = sources.map((_, index) => `s${index}`)
        const atMs = isLate ? 4600 : 20
        // The first is ready before the others; where these are late it has started alone.
        const before = run([
          ...ids.map((id): [number, QueueInput] => [0, joined(id)]),
          [0, enqueued('p1', 0, 5000)],
          [10, reached('s0', 'p1', 'ready')],
          [isLate ? 4500 : 10, { type: 'ticked' }],
        ]).state
        const rounds = (['ready', 'started', 'done'] as const).map((progress) =>
          ids
            .filter((_, index) => (sources[index] as readonly string[]).includes(progress))
            .map((sourceId) => ({
              sourceId,
              playId: 'p1',
              progress,
            })),
        )
        const atOnce = run(
          rounds
            .filter((heard) => heard.length > 0)
            .map((heard): [number, QueueInput] => [atMs, { type: 'sourcesProgressed', heard }]),
          before,
        )
        const oneByOne = run(
          rounds.flat().map((one): [number, QueueInput] => [atMs, { type: 'sourceProgress', ...one }]),
          before,
        )
        expect(atOnce.state).toEqual(oneByOne.state)
        const startedOf = ({ of }: typeof atOnce) =>
          of('start')
            .flatMap(({ sourceIds: started }) => started)
            .sort()
        expect(startedOf(atOnce)).toEqual(startedOf(oneByOne))
        for (const type of ['recordShown', 'recordEnded', 'recordStarted'] as const)
          expect(atOnce.of(type)).toEqual(oneByOne.of(type))
      }),
    )
  })

  it('never sleeps while there is something to do', () => {
    fc.assert(
      fc.property(nights, (night) => {
        let nowMs = 0
        let number = 0
        let state = emptyQueue
        for (const [afterMs, input] of night) {
          nowMs += afterMs
          state = step(
            state,
            input.type === 'enqueued'
              ? {
                  ...input,
                  tickets: input.tickets.map((each) => ({ ...each, playId: `p${number++}`, enqueuedAtMs: nowMs })),
                }
              : input,
            nowMs,
            plainPolicy,
          ).state
          const canGoOn =
            waitingIn(state).some(({ isAwaiting }) => isAwaiting) ||
            (waitingIn(state).length > 0 && !state.isHeld && Object.keys(state.sources).length > 0)
          if (canGoOn) expect(nextWakeMs(state, nowMs, plainPolicy)).not.toBeNull()
        }
      }),
    )
  })
})

describe('whose line it is', () => {
  const showing = (playId: string, atMs: number): QueueInput => ({
    type: 'sourceJoined',
    sourceId: 'a',
    shownPlayIds: [playId],
    showing: { playId, atMs },
  })

  it('in doubt, begins nothing, ends what was begun, and goes on where it is sure again', () => {
    const { state, of } = run([
      [0, joined('a')],
      [0, enqueued('p1')],
      [10, { type: 'doubted', isInDoubt: true }],
      [20, reached('a', 'p1', 'ready')],
      [9000, { type: 'ticked' }],
    ])
    expect([of('start'), of('recordEnded')]).toEqual([[], []])
    expect(run([[9100, { type: 'doubted', isInDoubt: false }]], state).of('start')).toMatchObject([{ playId: 'p1' }])
  })
  it('takes up what a source shows though nobody had written that it began: nothing is begun over it', () => {
    const before = recoverQueue(
      ['p1', 'p2'].map((id) => ({ ticket: ticket(id), state: 'waiting' as const, startedAtMs: null, shownCount: 0 })),
      null,
      false,
      1000,
    ).state
    const { state, of } = run([[2000, showing('p1', 1500)]], before)
    expect(state.current).toMatchObject({ phase: 'playing', ticket: { playId: 'p1' }, startedAtMs: 500, shownCount: 1 })
    expect([of('prepare'), of('recordStarted').length, of('recordShown').length]).toEqual([[], 1, 1])
    const ended = run(
      [
        [6000, reached('a', 'p1', 'done')],
        [6500, { type: 'ticked' }],
      ],
      state,
    )
    expect(ended.of('recordEnded')).toMatchObject([{ playId: 'p1', outcome: 'played' }])
    expect(ended.of('prepare')).toMatchObject([{ playId: 'p2' }])
  })
  it('leaves what plays alone where a source says that it shows something else', () => {
    const playing = run([
      [0, joined('b')],
      [0, enqueued('p1')],
      [0, enqueued('p2')],
      [10, reached('b', 'p1', 'ready')],
    ]).state
    const { state } = run([[20, showing('p2', 5)]], playing)
    expect([state.current?.ticket.playId, waitingIn(state).map(({ playId }) => playId)]).toEqual(['p1', ['p2']])
  })
})
