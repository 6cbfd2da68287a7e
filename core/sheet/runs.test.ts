import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planRunSheet, type RunPlan } from './planRunSheet.ts'
import { latestMs, nextRunMs, noRuns, stepRuns, type RunsCommand, type RunsInput, type RunsState } from './runs.ts'
import type { RunSheet, SheetNode } from './schema.ts'

const say = (words: string): SheetNode => ({ do: 'say', words })
const play = (isBeside = false): SheetNode => ({
  ...{ do: 'play', boxId: 'counter', alertId: 'bell', variationId: null },
  isBeside,
})
const scene = (forMs: number | null): SheetNode => ({ do: 'scene', scene: 'Oven cam', forMs })
const inTurn = (...of: SheetNode[]): RunSheet => ({ do: 'inTurn', of })
const together = (...of: SheetNode[]): RunSheet => ({ do: 'together', of })

function planOf(sheet: RunSheet): RunPlan {
  const plan = planRunSheet(sheet, { lengthMs: () => 4000, sheetOf: () => null })
  if (!plan.ok) throw new Error(plan.error.type)
  return plan.value
}

/** Runs with everything that they asked for, each with its moment. */
class Night {
  state: RunsState = noRuns
  nowMs = 0
  readonly said: (RunsCommand & { nowMs: number })[] = []

  input(input: RunsInput): RunsCommand[] {
    const { state, commands } = stepRuns(this.state, input, this.nowMs)
    this.state = state
    this.said.push(...commands.map((command) => ({ ...command, nowMs: this.nowMs })))
    return commands
  }

  allow(id: string, plan: RunPlan, again: 'inTurn' | 'together' = 'together', triggerId = 'bell') {
    return this.input({ type: 'allowed', run: { id, triggerId, again, plan } })
  }

  /** Lets time pass, waking in time. */
  until(ms: number): void {
    for (let next = nextRunMs(this.state); next !== null && next <= ms; next = nextRunMs(this.state)) {
      this.nowMs = Math.max(this.nowMs, next)
      this.input({ type: 'ticked' })
    }
    this.nowMs = ms
  }

  of(type: RunsCommand['type']) {
    return this.said.filter((command) => command.type === type).map(({ runId, nowMs }) => [runId, nowMs])
  }
}

describe('a run', () => {
  it('begins at once, does each step in its moment, and ends when the last is over', () => {
    const night = new Night()
    night.allow('a', planOf(together(say('hello'), inTurn({ do: 'wait', ms: 800 }, scene(8000)))))
    expect(night.of('begun')).toEqual([['a', 0]])
    night.until(20_000)
    expect(night.of('do')).toEqual([
      ['a', 0],
      ['a', 800],
    ])
    expect(night.of('ended')).toEqual([['a', 8800]])
    expect(nextRunMs(night.state)).toBeNull()
  })

  it('begins with its alert: until that is shown nothing is done, and all moments count from there', () => {
    const night = new Night()
    night.allow('a', planOf(together(play(), say('mind the heat'), scene(8000))))
    expect(night.of('enqueue')).toEqual([['a', 0]])
    night.until(30_000)
    expect([night.of('begun'), night.of('do')]).toEqual([[], []])
    night.input({ type: 'playStarted', runId: 'a', index: 0 })
    night.until(60_000)
    expect(night.of('begun')).toEqual([['a', 30_000]])
    expect(night.of('do')).toEqual([
      ['a', 30_000],
      ['a', 30_000],
    ])
    expect(night.of('ended')).toEqual([['a', 38_000]])
  })

  it('is released where its alert never comes, and goes on where it was shown and was then skipped', () => {
    const night = new Night()
    night.allow('a', planOf(together(play(), say('x'))))
    night.input({ type: 'playEnded', runId: 'a', index: 0, reason: 'it waited too long' })
    expect(night.said.at(-1)).toMatchObject({ type: 'released', runId: 'a', reason: 'it waited too long' })
    night.allow('b', planOf(together(play(), say('x'))))
    night.input({ type: 'playStarted', runId: 'b', index: 0 })
    night.input({ type: 'playEnded', runId: 'b', index: 0, reason: '' })
    night.until(10_000)
    expect(night.of('ended')).toEqual([['b', 4000]])
  })

  it('of the same trigger waits for the one before, or runs beside it, as it says', () => {
    for (const [again, ends] of [
      ['inTurn', [15_000, 30_000]],
      ['together', [15_000, 15_000]],
    ] as const) {
      const night = new Night()
      night.allow('a', planOf(inTurn(scene(15_000))), again)
      night.allow('b', planOf(inTurn(scene(15_000))), again)
      night.until(60_000)
      expect(night.of('ended').map(([, ms]) => ms)).toEqual(ends)
    }
  })

  it('that is stopped is released before it began, and ends after; its alerts are taken back', () => {
    const night = new Night()
    night.allow('waits', planOf(inTurn(play())))
    night.allow('runs', planOf(together(say('x'), scene(9000))), 'together', 'cam')
    night.input({ type: 'stopped', runIds: ['waits', 'runs'], reason: 'Odalys Fenn stopped it' })
    expect(night.of('withdraw')).toEqual([['waits', 0]])
    expect([night.of('released'), night.of('ended')]).toEqual([[['waits', 0]], [['runs', 0]]])
    expect(night.state.runs).toEqual([])
  })

  it('does not do what is long past', () => {
    const night = new Night()
    night.allow('a', planOf(inTurn({ do: 'wait', ms: 1000 }, say('late'), { do: 'wait', ms: 9000 }, say('in time'))))
    night.nowMs = 1000 + latestMs + 1
    night.input({ type: 'ticked' })
    expect(night.of('missed')).toHaveLength(1)
    night.until(20_000)
    expect(night.of('do')).toEqual([['a', 10_000]])
  })

  it('that was let through twice is one', () => {
    const night = new Night()
    night.allow('a', planOf(inTurn(scene(1000))))
    expect(night.allow('a', planOf(inTurn(scene(1000))))).toEqual([])
  })
})

const node = fc.letrec<{ node: SheetNode }>((tie) => ({
  node: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    fc.constantFrom<SheetNode>(say('x'), play(), play(true)),
    fc.nat(3000).map((ms): SheetNode => ({ do: 'wait', ms })),
    fc.integer({ min: 100, max: 5000 }).map((ms): SheetNode => scene(ms)),
    fc.record({
      do: fc.constantFrom('inTurn' as const, 'together' as const),
      of: fc.array(tie('node'), { maxLength: 4 }),
    }),
  ),
})).node

describe('runs, whatever happens', () => {
  const move = fc.oneof(
    fc.record({ move: fc.constant('allow' as const), sheet: fc.array(node, { maxLength: 4 }), inTurn: fc.boolean() }),
    fc.record({ move: fc.constantFrom('start' as const, 'fail' as const, 'stop' as const), at: fc.nat(20) }),
    fc.record({ move: fc.constant('pass' as const), ms: fc.nat(6000) }),
  )

  it('are what was planned: each begins once or is released, never both, and ends once', () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 40 }), (moves) => {
        const night = new Night()
        const plans = new Map<string, RunPlan>()
        for (const each of moves) {
          if (each.move === 'allow') {
            const id = `run-${plans.size}`
            plans.set(id, planOf(inTurn(...each.sheet)))
            night.allow(id, plans.get(id)!, each.inTurn ? 'inTurn' : 'together', `t${plans.size % 2}`)
          } else if (each.move === 'pass') night.until(night.nowMs + each.ms)
          else {
            const run = night.state.runs[each.at % Math.max(1, night.state.runs.length)]
            const index = run?.leading?.[0]
            if (!run) continue
            if (each.move === 'stop') night.input({ type: 'stopped', runIds: [run.id], reason: 'by hand' })
            else if (index !== undefined)
              night.input(
                each.move === 'start'
                  ? { type: 'playStarted', runId: run.id, index }
                  : { type: 'playEnded', runId: run.id, index, reason: 'late' },
              )
          }
        }
        for (const { id, leading } of [...night.state.runs])
          for (const index of leading ?? []) night.input({ type: 'playEnded', runId: id, index, reason: 'late' })
        // Those behind them have their turn now.
        for (let round = 0; night.state.runs.length > 0 && round < 200; round++) {
          night.until(night.nowMs + 60_000)
          for (const { id, leading } of [...night.state.runs])
            for (const index of leading ?? []) night.input({ type: 'playEnded', runId: id, index, reason: 'late' })
        }
        expect(night.state.runs).toEqual([])
        for (const [id, plan] of plans) {
          const of = (type: RunsCommand['type']) =>
            night.said.filter((command) => command.runId === id && command.type === type)
          expect(of('begun').length + of('released').length).toBe(1)
          expect(of('ended')).toHaveLength(of('begun').length)
          const began = of('begun')[0]
          const end = of('ended')[0]
          if (!began || end?.type !== 'ended' || end.end === 'stopped') continue
          const did = night.said.flatMap((command) =>
            command.runId === id && command.type === 'do' ? [[command.step.index, command.nowMs - began.nowMs]] : [],
          )
          const leaders = new Set(of('enqueue').map((command) => (command.type === 'enqueue' ? command.step.index : 0)))
          expect(did).toEqual(
            plan.steps.filter(({ index }) => !leaders.has(index)).map(({ index, atMs }) => [index, atMs]),
          )
          expect(end.nowMs - began.nowMs).toBe(plan.lengthMs)
        }
      }),
    )
  })
})
