import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { joined, run, ticket, waitingIn } from '../../test/arrange/queueRun.ts'
import { recoverQueue } from './recover.ts'

describe('recoverQueue', () => {
  it('takes up what was left: confirmed plays run on, unconfirmed ones wait for a word, prepared ones go first', () => {
    const plays = [
      { ticket: ticket('p1'), state: 'waiting' as const, startedAtMs: null, shownCount: 0 },
      { ticket: ticket('p2'), state: 'preparing' as const, startedAtMs: null, shownCount: 0 },
    ]
    expect(waitingIn(recoverQueue(plays, null, false, 1000).state).map((each) => each.playId)).toEqual(['p2', 'p1'])
    const playing = { ticket: ticket('p3'), state: 'playing' as const, startedAtMs: 500 }
    expect(recoverQueue([{ ...playing, shownCount: 0 }], null, false, 1000).state.current?.phase).toBe('unconfirmed')
    const confirmed = recoverQueue([{ ...playing, shownCount: 1 }], null, false, 1000).state
    expect(run([[7000, { type: 'ticked' }]], confirmed).of('recordEnded')).toMatchObject([
      { playId: 'p3', outcome: 'played' },
    ])
  })
})

describe('after the server was down', () => {
  const waited = (playId: string, enqueuedAtMs: number) => ({
    ticket: ticket(playId, enqueuedAtMs),
    state: 'waiting' as const,
    startedAtMs: null,
    shownCount: 0,
  })
  const dayMs = 86_400_000

  it('takes the time for time without a source: what waited before is not shown a day late', () => {
    const { state, commands } = recoverQueue(
      [waited('old', 500), waited('new', dayMs - 5000)],
      null,
      false,
      dayMs,
      1000,
    )
    expect(commands).toContainEqual({ type: 'recordAbsence', sinceMs: 1000 })
    const { of } = run([[dayMs + 10, joined('a')]], state)
    expect(of('recordEnded')).toMatchObject([{ playId: 'old', outcome: 'expired' }])
    expect(of('prepare')).toMatchObject([{ playId: 'new' }])
  })
  it('lets what waited behind others go on after a short stop', () => {
    const { state } = recoverQueue([waited('p1', 0)], null, false, 600_000, 598_000)
    expect(run([[601_000, joined('a')]], state).of('prepare')).toMatchObject([{ playId: 'p1' }])
  })
})

describe('recovering when records were lost', () => {
  const playing = (playId: string, startedAtMs: number | null, shownCount: number) => ({
    ticket: ticket(playId),
    state: 'playing' as const,
    startedAtMs,
    shownCount,
  })
  it('drops none of several that are recorded as playing: the last runs on, what was seen has ended, the rest waits', () => {
    const plays = [playing('p1', 100, 1), playing('p2', 300, 0), playing('p3', 200, 0), playing('p4', null, 0)]
    const { state, commands } = recoverQueue(plays, null, false, 1000)
    expect(state.current).toMatchObject({ phase: 'unconfirmed', ticket: { playId: 'p2' } })
    expect(waitingIn(state).map(({ playId }) => playId)).toEqual(['p3', 'p4'])
    expect(commands).toMatchObject([
      { type: 'recordAbsence', sinceMs: 1000 },
      { type: 'recordReturned', playId: 'p3' },
      { type: 'recordReturned', playId: 'p4' },
      { type: 'recordEnded', playId: 'p1', outcome: 'played', shownCount: 1 },
    ])
  })
  it('plays what waits again on no source that says it has shown it', () => {
    const { state } = recoverQueue([playing('p1', 100, 0), playing('p2', 300, 1)], null, false, 1000)
    const { of } = run(
      [
        [1100, joined('a', ['p1', 'p2'])],
        [9000, { type: 'ticked' }],
        [9500, { type: 'ticked' }],
      ],
      state,
    )
    expect(of('prepare')).toEqual([])
    expect(of('recordEnded').map(({ playId }) => playId)).toEqual(['p2', 'p1'])
  })
  it('loses no play and doubles none, whatever is recorded', () => {
    const recorded = fc.record({
      state: fc.constantFrom('waiting' as const, 'preparing' as const, 'playing' as const),
      startedAtMs: fc.option(fc.nat(900)),
      shownCount: fc.nat(2),
    })
    fc.assert(
      fc.property(fc.array(recorded, { maxLength: 8 }), (list) => {
        const plays = list.map((each, index) => ({ ...each, ticket: ticket(`p${index}`) }))
        const { state, commands } = recoverQueue(plays, null, false, 1000)
        const kept = [
          ...waitingIn(state).map(({ playId }) => playId),
          ...(state.current ? [state.current.ticket.playId] : []),
          ...commands.flatMap((command) => (command.type === 'recordEnded' ? [command.playId] : [])),
        ]
        expect(kept.sort()).toEqual(plays.map(({ ticket: { playId } }) => playId).sort())
      }),
    )
  })
})
