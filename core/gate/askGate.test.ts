import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { askGate, type GateAsk, type GateResult } from './askGate.ts'
import { release } from './release.ts'
import { gate as gateSchema, openGate, type Gate } from './schema.ts'
import { unusedByViewer, unusedGate, type GateState, type Reservation, type ViewerUses } from './state.ts'

const timeZone = 'Europe/Lisbon'
/** A Saturday, 22:10 in Lisbon. */
const saturdayNightMs = Date.UTC(2026, 10, 28, 22, 10)
const ask = (over: Partial<GateAsk> = {}): GateAsk => ({
  isArmed: true,
  viewer: { id: 'pip', name: 'pip_rye', roles: [], tier: null, months: null, isFirstTime: false },
  input: '',
  isBlocked: false,
  nowMs: saturdayNightMs,
  timeZone,
  streamMs: saturdayNightMs - 600_000,
  scene: null,
  balance: 0,
  ...over,
})
const of = (over: Partial<Gate>): Gate => gateSchema.parse({ ...openGate, ...over })
const asked = (gate: Gate, over: Partial<GateAsk> = {}, state?: GateState, viewer: ViewerUses = unusedByViewer) =>
  askGate(gate, ask(over), state ?? unusedGate(gate.stock), viewer)
const refusalOf = ({ answer }: GateResult) => (answer.is === 'refused' ? answer.reason : 'allowed')
const reservedOf = ({ answer }: GateResult): Reservation => {
  if (answer.is !== 'allowed') throw new Error(`refused: ${answer.reason}`)
  return answer.reserved
}
const viewerOf = (over: Partial<GateAsk['viewer']>) => ({ viewer: { ...ask().viewer, ...over } })

describe('a gate', () => {
  it('lets everybody through that asks for nothing, and nobody where it is not armed', () => {
    expect(refusalOf(asked(openGate))).toBe('allowed')
    expect(refusalOf(asked(openGate, { isArmed: false }))).toBe('disarmed')
  })

  it('keeps hours over midnight, and says when it opens', () => {
    const night = of({ hours: { from: 22 * 60, until: 4 * 60, weekdays: [5] } })
    expect(refusalOf(asked(night))).toBe('allowed')
    // Sunday at three belongs to Saturday’s night, Sunday at 22:10 does not.
    expect(refusalOf(asked(night, { nowMs: saturdayNightMs + 5 * 3_600_000 }))).toBe('allowed')
    const sunday = asked(night, { nowMs: saturdayNightMs + 24 * 3_600_000 })
    expect(sunday.answer).toMatchObject({ reason: 'hours', retryAtMs: Date.UTC(2026, 11, 5, 22, 0) })
    const early = asked(night, { nowMs: saturdayNightMs - 3_600_000 })
    expect(early.answer).toMatchObject({ retryAtMs: Date.UTC(2026, 10, 28, 22, 0) })
  })

  it('looks at what the studio shows', () => {
    const ovens = of({ scenes: ['Bench cam', 'Street window'] })
    expect(refusalOf(asked(ovens, { scene: 'Bench cam' }))).toBe('allowed')
    expect(asked(ovens, { scene: 'Oven cam' }).answer).toMatchObject({
      reason: 'scene',
      detail: 'Bench cam, Street window',
    })
    expect(refusalOf(asked(ovens, { scene: null }))).toBe('scene')
  })

  it.each([
    [{ is: 'role', role: 'vip' } as const, { roles: ['vip'] }, { roles: ['subscriber'] }],
    [{ is: 'tier', atLeast: 2 } as const, { tier: 3 }, { tier: 1 }],
    [{ is: 'months', atLeast: 12 } as const, { months: 12 }, { months: 11 }],
    [{ is: 'firstTime' } as const, { isFirstTime: true }, { isFirstTime: false }],
    [{ is: 'named', names: ['INÊSDAPADARIA'] } as const, { name: 'InêsDaPadaria' }, { name: 'Ines' }],
  ])('asks who: %o', (test, passing, failing) => {
    const gate = of({ who: { match: 'all', of: [{ ...test } as never] } })
    expect(refusalOf(asked(gate, viewerOf(passing)))).toBe('allowed')
    expect(refusalOf(asked(gate, viewerOf(failing)))).toBe('who')
  })

  it('asks for all of them or for any, and says what is missing', () => {
    const tests = [
      { is: 'role', role: 'vip' },
      { is: 'months', atLeast: 3 },
    ] as const
    const vip = viewerOf({ roles: ['vip'] })
    expect(refusalOf(asked(of({ who: { match: 'any', of: [...tests] } }), vip))).toBe('allowed')
    const all = asked(of({ who: { match: 'all', of: [...tests] } }), vip)
    expect(all.answer).toMatchObject({ reason: 'who', detail: 'subscribers of 3 months and longer' })
    expect(asked(of({ who: { match: 'any', of: [...tests] } })).answer).toMatchObject({
      detail: 'VIPs or subscribers of 3 months and longer',
    })
  })

  it('measures what was typed in what readers call letters, whatever the script', () => {
    const loaf = of({ asked: { as: 'text', minLetters: 2, maxLetters: 4, letters: 'letters' } })
    const said = (input: string) => {
      const { answer } = asked(loaf, { input })
      return answer.is === 'refused' ? answer.detail : 'fine'
    }
    expect(['Zoë', '毛毛面包', ' نورا '].map(said)).toEqual(['fine', 'fine', 'fine'])
    expect(said('')).toBe('something has to be typed')
    expect(said('x')).toContain('at least 2')
    expect(said('Crusty')).toContain('at most 4')
    expect(['<b>', '🥐🥐', 'R2D2'].map(said)).toEqual(Array(3).fill('it may only have letters'))
    expect(asked(loaf, { input: 'Rye', isBlocked: true }).answer).toMatchObject({
      reason: 'input',
      detail: 'it holds a word that is blocked here',
    })
    const emoji = of({ asked: { as: 'text', minLetters: 1, maxLetters: 2, letters: 'any' } })
    expect(refusalOf(asked(emoji, { input: '👩‍🍳🥐' }))).toBe('allowed')
    expect(refusalOf(asked(emoji, { input: 'a\u0007' }))).toBe('input')
    const shape = of({ asked: { as: 'choice', choices: ['Round', 'Straße'] } })
    expect([' round', 'STRASSE', 'long'].map((input) => refusalOf(asked(shape, { input })))).toEqual([
      'allowed',
      'allowed',
      'input',
    ])
  })

  it('counts a stream’s uses for all and for each, and another stream anew', () => {
    const gate = of({ perStream: { all: 3, viewer: 2 } })
    let state = unusedGate(null)
    const kept: Record<string, ViewerUses> = {}
    const use = (id: string, streamMs: number) => {
      const result = asked(gate, { ...viewerOf({ id }), streamMs }, state, kept[id])
      state = result.state
      kept[id] = result.viewer
      return refusalOf(result)
    }
    expect(['a', 'a', 'a', 'b', 'b'].map((id) => use(id, 1))).toEqual([
      'allowed',
      'allowed',
      'viewerLimit',
      'allowed',
      'streamLimit',
    ])
    expect(use('a', 2)).toBe('allowed')
  })

  it('takes votes once from each viewer, forgets old ones, and begins again after them', () => {
    const gate = of({ votes: { needed: 3, withinMs: 60_000 } })
    let state = unusedGate(null)
    const vote = (id: string, afterMs: number) => {
      const result = asked(gate, { ...viewerOf({ id }), nowMs: saturdayNightMs + afterMs }, state)
      state = result.state
      return result.answer.is === 'refused' ? result.answer.detail : 'allowed'
    }
    expect(vote('a', 0)).toBe('1 of 3')
    expect(vote('a', 1000)).toBe('1 of 3')
    expect(vote('b', 30_000)).toBe('2 of 3')
    // The first is too old by now.
    expect(vote('c', 61_000)).toBe('2 of 3')
    expect(vote('a', 62_000)).toBe('allowed')
    expect(vote('a', 63_000)).toBe('1 of 3')
  })

  it('asks for the cost last, and says how much is missing', () => {
    const gate = of({ cost: 300, stock: 1 })
    expect(asked(gate, { balance: 299 }).answer).toMatchObject({ reason: 'cost', detail: '1' })
    const result = asked(gate, { balance: 300 })
    expect(reservedOf(result)).toMatchObject({ cost: 300, takesStock: true })
    expect(refusalOf(asked(gate, { balance: 300 }, result.state))).toBe('stock')
  })
})

describe('a clock that jumps back', () => {
  it('shortens no cooldown, and nobody is told to wait longer than one', () => {
    const gate = of({ againAfter: { allMs: 60_000, viewerMs: 120_000 } })
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            passedMs: fc.nat(90_000),
            backMs: fc.oneof(fc.constant(0), fc.nat(86_400_000)),
            id: fc.constantFrom('a', 'b'),
          }),
          { maxLength: 60 },
        ),
        (moments) => {
          let [trueMs, wallMs] = [0, saturdayNightMs]
          let state = unusedGate(null)
          const viewers: Record<string, ViewerUses> = {}
          const used: { id: string; trueMs: number }[] = []
          for (const { passedMs, backMs, id } of moments) {
            trueMs += passedMs
            wallMs += passedMs - backMs
            const result = asked(gate, { ...viewerOf({ id }), nowMs: wallMs }, state, viewers[id])
            state = result.state
            viewers[id] = result.viewer
            if (result.answer.is === 'allowed') {
              for (const use of used)
                expect(trueMs - use.trueMs).toBeGreaterThanOrEqual(use.id === id ? 120_000 : 60_000)
              used.push({ id, trueMs })
            } else {
              const { reason, retryAtMs } = result.answer
              expect((retryAtMs ?? Infinity) - wallMs).toBeLessThanOrEqual(reason === 'cooldown' ? 60_000 : 120_000)
              // Whoever waits so long is not told the same again.
              const later = asked(gate, { ...viewerOf({ id }), nowMs: retryAtMs ?? 0 }, state, viewers[id])
              expect(refusalOf(later)).not.toBe(reason)
            }
          }
        },
      ),
    )
  })
})

describe('a use that never began', () => {
  it('is as if it had never been', () => {
    const gate = of({
      againAfter: { allMs: 5000, viewerMs: 9000 },
      perStream: { all: 9, viewer: 9 },
      stock: 5,
      votes: { needed: 2, withinMs: 60_000 },
    })
    const voted = asked(gate, viewerOf({ id: 'b' })).state
    const before = asked(gate, { isArmed: false }, voted)
    const result = asked(gate, {}, before.state, before.viewer)
    const back = release(reservedOf(result), result.state, result.viewer)
    expect(back.viewer).toEqual(before.viewer)
    expect({ ...back.state, votes: back.state.votes.map(({ viewerId }) => viewerId) }).toEqual({
      ...before.state,
      votes: ['b', 'pip'],
    })
  })

  it('leaves alone what others did since', () => {
    const gate = of({ againAfter: { allMs: 5000, viewerMs: 0 }, stock: 5, perStream: { all: 9, viewer: 9 } })
    const first = asked(gate)
    const second = asked(gate, { ...viewerOf({ id: 'b' }), nowMs: saturdayNightMs + 6000 }, first.state)
    const back = release(reservedOf(first), second.state, first.viewer)
    expect(back.state).toMatchObject({ lastMs: saturdayNightMs + 6000, uses: 1, left: 4 })
    expect(back.viewer).toMatchObject({ lastMs: null, uses: 0 })
  })

  it('with stock and counts never below nothing, nor above what there was, whatever is taken back when', () => {
    const gate = of({ stock: 3, perStream: { all: 4, viewer: null } })
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constant('use' as const), fc.nat(5)), { maxLength: 60 }), (acts) => {
        let state = unusedGate(gate.stock)
        let viewer = unusedByViewer
        const open: Reservation[] = []
        let begun = 0
        for (const act of acts) {
          if (act === 'use') {
            const result = asked(gate, {}, state, viewer)
            ;({ state, viewer } = result)
            if (result.answer.is === 'allowed') open.push(result.answer.reserved)
          } else {
            const [reserved] = open.splice(act, 1)
            if (!reserved) continue
            // Every other one begins.
            if (act % 2 === 0) begun += 1
            else ({ state, viewer } = release(reserved, state, viewer))
          }
          expect(state.left).toBe(3 - open.length - begun)
          expect(state.left).toBeGreaterThanOrEqual(0)
          expect(state.uses).toBe(open.length + begun)
        }
      }),
    )
  })
})
