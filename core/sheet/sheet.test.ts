import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { letGo, nextEndMs, noHolds, push, shownBy, type HoldStack } from './holdStack.ts'
import { plannedMax, planRunSheet, type PlanContext } from './planRunSheet.ts'
import { runSheet, type RunSheet, type SheetNode } from './schema.ts'

const say = (words: string): SheetNode => ({ do: 'say', words })
const play = (alertId: string): SheetNode => ({
  do: 'play',
  boxId: 'counter',
  alertId,
  variationId: null,
  isBeside: false,
})
const scene = (name: string, forMs: number | null): SheetNode => ({ do: 'scene', scene: name, forMs })
const inTurn = (...of: SheetNode[]): RunSheet => ({ do: 'inTurn', of })
const together = (...of: SheetNode[]): RunSheet => ({ do: 'together', of })
const context = (sheets: Record<string, RunSheet> = {}): PlanContext => ({
  lengthMs: (step) =>
    step.do === 'play' ? (({ bell: 4500, loaf: 2000 } as Record<string, number>)[step.alertId] ?? null) : 800,
  sheetOf: (id) => sheets[id] ?? null,
})
function planned(sheet: RunSheet, sheets: Record<string, RunSheet> = {}, id: string | null = null) {
  const plan = planRunSheet(sheet, context(sheets), id)
  if (!plan.ok) throw new Error(plan.error.type)
  return plan.value
}

describe('a plan', () => {
  it('lays steps one after another, together, and after waits', () => {
    const { steps, lengthMs } = planned(
      inTurn(together(play('bell'), inTurn({ do: 'wait', ms: 800 }, scene('Oven cam', 15_000)), say('mind the heat')), {
        do: 'sound',
        boxId: 'counter',
        mediaId: 'tray',
        trimDb: 0,
      }),
    )
    expect(steps.map(({ step, atMs, untilMs }) => [step.do, atMs, untilMs])).toEqual([
      ['play', 0, 4500],
      ['say', 0, 0],
      ['scene', 800, 15_800],
      ['sound', 15_800, 16_600],
    ])
    expect(lengthMs).toBe(16_600)
  })

  it('has another trigger’s sheet in its place, and refuses a circle however long', () => {
    const call = (triggerId: string): SheetNode => ({ do: 'sheet', triggerId })
    const sheets = { bell: inTurn(play('bell'), say('rang')), both: inTurn(call('bell'), call('bell')) }
    expect(planned(inTurn(scene('Oven cam', null), call('both')), sheets).steps.map(({ atMs }) => atMs)).toEqual([
      0, 0, 4500, 4500, 9000,
    ])
    const around = { a: inTurn(call('b')), b: together(call('c')), c: inTurn(say('again'), call('a')) }
    expect(planRunSheet(around.a, context(around), 'a')).toMatchObject({
      ok: false,
      error: { type: 'circle', triggerIds: ['a', 'b', 'c', 'a'] },
    })
    expect(planRunSheet(inTurn(call('a')), context(around))).toMatchObject({ error: { type: 'circle' } })
    expect(planRunSheet(inTurn(call('gone')), context())).toMatchObject({ error: { type: 'gone' } })
  })

  it('refuses what is gone, too long or too much', () => {
    expect(planRunSheet(inTurn(play('nobody')), context())).toMatchObject({ error: { type: 'gone' } })
    expect(planRunSheet(inTurn({ do: 'wait', ms: 600_000 }, play('bell')), context())).toMatchObject({
      error: { type: 'tooLong', lengthMs: 604_500 },
    })
    const many = { ten: inTurn(...Array.from({ length: 90 }, () => say('x'))) }
    const tens = inTurn(...Array.from({ length: 6 }, (): SheetNode => ({ do: 'sheet', triggerId: 'ten' })))
    expect(plannedMax).toBe(500)
    expect(planRunSheet(tens, context(many))).toMatchObject({ error: { type: 'tooMany' } })
    expect(runSheet.safeParse(inTurn(...Array.from({ length: 100 }, () => say('x')))).success).toBe(false)
    const deep = [1, 2, 3, 4, 5, 6].reduce<SheetNode>((node) => inTurn(node), say('x'))
    expect(runSheet.safeParse(deep).success).toBe(false)
  })

  it('is as long as its last end, in the order of its moments, whatever stands where', () => {
    const leaf = fc.oneof(
      fc.constantFrom<SheetNode>(say('x'), play('bell'), play('loaf')),
      fc.nat(3000).map((ms): SheetNode => ({ do: 'wait', ms })),
      fc.integer({ min: 100, max: 5000 }).map((ms): SheetNode => scene('Oven cam', ms)),
    )
    const node: fc.Arbitrary<SheetNode> = fc.letrec<{ node: SheetNode }>((tie) => ({
      node: fc.oneof(
        { depthSize: 'small', withCrossShrink: true },
        leaf,
        fc.record({
          do: fc.constantFrom('inTurn' as const, 'together' as const),
          of: fc.array(tie('node'), { maxLength: 4 }),
        }),
      ),
    })).node
    fc.assert(
      fc.property(fc.array(node, { maxLength: 5 }), (of) => {
        const { steps, lengthMs } = planned(inTurn(...of))
        expect(steps.map(({ index }) => index).sort((a, b) => a - b)).toEqual(steps.map((_, index) => index))
        for (const [at, { atMs, untilMs }] of steps.entries()) {
          expect(atMs).toBeGreaterThanOrEqual(steps[at - 1]?.atMs ?? 0)
          expect(untilMs).toBeLessThanOrEqual(lengthMs)
        }
        // Steps in turn take as long as each of them alone, together as long as the longest.
        const lengths = of.map((each) => planned(inTurn(each)).lengthMs)
        expect(lengthMs).toBe(lengths.reduce((sum, each) => sum + each, 0))
        expect(planned(together(...of)).lengthMs).toBe(Math.max(0, ...lengths))
      }),
    )
  })
})

describe('holds', () => {
  const hold = (id: string, value: string, untilMs: number) => ({ id, value, untilMs })

  it('show the newest, then what lies beneath, then what was there', () => {
    const first = push<string>(noHolds, hold('a', 'Oven cam', 15_000), 'Bench cam')
    const second = push(first, hold('b', 'Street window', 8000), 'Oven cam')
    expect([shownBy(first), shownBy(second), nextEndMs(second)]).toEqual(['Oven cam', 'Street window', 8000])
    const third = letGo(second, 8000)
    expect([shownBy(third), third.rest]).toEqual(['Oven cam', 'Bench cam'])
    expect(letGo(third, 15_000)).toBe(noHolds)
    expect([shownBy(noHolds), nextEndMs(noHolds)]).toEqual([null, null])
  })

  it('one beneath ends without being seen; a run that is stopped gives back at once', () => {
    const one = push<string>(noHolds, hold('a', 'Oven cam', 5000), 'Bench cam')
    const two = push(one, hold('b', 'Street window', 9000), 'Oven cam')
    const left = letGo(two, 5000)
    expect([shownBy(left), left.rest]).toEqual(['Street window', 'Bench cam'])
    expect(letGo(left, 5001, ['b'])).toBe(noHolds)
    expect(letGo(left, 5001)).toBe(left)
  })

  it('end on what was there before the first, whatever came and went in between', () => {
    const act = fc.oneof(
      fc.record({
        value: fc.constantFrom('Oven cam', 'Bench cam', 'Street window'),
        forMs: fc.integer({ min: 1, max: 5000 }),
      }),
      fc.nat(3000),
      fc.record({ stop: fc.nat(10) }),
    )
    fc.assert(
      fc.property(fc.constantFrom('Oven cam', 'Bench cam'), fc.array(act, { maxLength: 40 }), (rest, acts) => {
        let nowMs = 0
        let shows: string = rest
        let count = 0
        let stack: HoldStack<string> = noHolds
        const take = (next: HoldStack<string>) => {
          shows = shownBy(next) ?? stack.rest ?? shows
          stack = next
          // Only while something is held, and until the last of it ends, it is known what was there.
          expect(stack.rest).toBe(stack.holds.length > 0 ? rest : null)
          expect(stack.holds.every(({ untilMs }) => untilMs > nowMs)).toBe(true)
        }
        for (const each of acts) {
          if (typeof each === 'number') nowMs += each
          take(letGo(stack, nowMs, typeof each !== 'number' && 'stop' in each ? [`h${each.stop}`] : []))
          if (typeof each !== 'number' && 'value' in each)
            take(push(stack, hold(`h${count++}`, each.value, nowMs + each.forMs), shows))
        }
        for (let endMs = nextEndMs(stack); endMs !== null; endMs = nextEndMs(stack)) {
          nowMs = endMs
          take(letGo(stack, nowMs))
        }
        expect(shows).toBe(rest)
      }),
    )
  })
})
