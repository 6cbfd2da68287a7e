import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changeStep, delayOf, insertStep, moveStep, nodeAt, removeStep, setDelay, tidy } from './editSheet.ts'
import { laySheet } from './laySheet.ts'
import { stepsOf, type RunSheet, type SheetNode, type Step } from './schema.ts'

const say = (words: string): Step => ({ do: 'say', words })
const scene = (forMs: number): SheetNode => ({ do: 'scene', scene: 'Oven cam', forMs })
const wait = (ms: number): SheetNode => ({ do: 'wait', ms })
const inTurn = (...of: SheetNode[]): RunSheet => ({ do: 'inTurn', of })
const together = (...of: SheetNode[]): RunSheet => ({ do: 'together', of })
const context = { lengthMs: () => 4000, sheetOf: () => null }
const laid = (sheet: RunSheet) =>
  laySheet(sheet, context, 'me').map(({ step, atMs, untilMs }) => [
    step.do === 'say' ? step.words : step.do,
    atMs,
    untilMs,
  ])

describe('a sheet as it is laid out', () => {
  it('has each step in its place, waits as room, and says what cannot run', () => {
    const sheet = together(say('a'), inTurn(wait(800), scene(8000), { do: 'sheet', triggerId: 'gone' }))
    const steps = laySheet(sheet, context, 'me')
    expect(steps.map(({ path, atMs, untilMs, isFaulty }) => [path, atMs, untilMs, isFaulty])).toEqual([
      [[0], 0, 0, false],
      [[1, 1], 800, 8800, false],
      [[1, 2], 8800, 8800, true],
    ])
  })
})

describe('editing a sheet', () => {
  it('puts steps one after another, or together', () => {
    const first = insertStep(inTurn(), scene(5000), { how: 'after', path: null })
    const second = insertStep(first, say('then'), { how: 'after', path: [0] })
    expect(laid(second)).toEqual([
      ['scene', 0, 5000],
      ['then', 5000, 5000],
    ])
    const both = insertStep(second, say('beside'), { how: 'with', path: [0] })
    expect(laid(both)).toEqual([
      ['scene', 0, 5000],
      ['beside', 0, 0],
      ['then', 5000, 5000],
    ])
    expect(laid(insertStep(both, say('all along'), { how: 'with', path: null })).at(-1)).toEqual(['all along', 0, 0])
  })

  it('has a step wait, and wait otherwise, without changing what stands beside it', () => {
    const sheet = together(scene(5000), say('mind the heat'))
    const late = setDelay(sheet, [1], 800)
    expect(laid(late)).toEqual([
      ['scene', 0, 5000],
      ['mind the heat', 800, 800],
    ])
    expect(delayOf(late, [1, 1])).toBe(800)
    expect(laid(setDelay(late, [1, 1], 0))).toEqual(laid(sheet))
    expect(laid(setDelay(late, [1, 1], 1200)).at(-1)).toEqual(['mind the heat', 1200, 1200])
  })

  it('changes and takes out, with the wait in front', () => {
    const sheet = inTurn(scene(1000), wait(500), say('x'), say('y'))
    expect(laid(changeStep(sheet, [2], say('z')))).toEqual([
      ['scene', 0, 1000],
      ['z', 1500, 1500],
      ['y', 1500, 1500],
    ])
    expect(laid(removeStep(sheet, [2]))).toEqual([
      ['scene', 0, 1000],
      ['y', 1000, 1000],
    ])
    expect(removeStep(inTurn(say('x')), [0])).toEqual(inTurn())
  })

  it('moves a step behind another or together with it, also out of its block', () => {
    const sheet = inTurn(scene(1000), wait(500), say('x'), together(say('y'), scene(3000)))
    expect(laid(moveStep(sheet, [2], { how: 'with', path: [3, 1] }))).toEqual([
      ['scene', 0, 1000],
      ['y', 1000, 1000],
      ['scene', 1000, 4000],
      ['x', 1000, 1000],
    ])
    expect(laid(moveStep(sheet, [0], { how: 'after', path: null })).at(-1)).toEqual(['scene', 3500, 4500])
    expect(moveStep(sheet, [3], { how: 'with', path: [3, 1] })).toBe(sheet)
  })

  const node = fc.letrec<{ node: SheetNode }>((tie) => ({
    node: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      fc.constantFrom('a', 'b', 'c').map(say),
      fc.nat(2000).map(wait),
      fc.integer({ min: 100, max: 5000 }).map(scene),
      fc.record({
        do: fc.constantFrom('inTurn' as const, 'together' as const),
        of: fc.array(tie('node'), { maxLength: 4 }),
      }),
    ),
  })).node
  const sheets = fc.array(node, { maxLength: 5 }).map((of): RunSheet => inTurn(...of))
  const places = fc.record({ how: fc.constantFrom('after' as const, 'with' as const), at: fc.nat(20) })

  it('never changes what a sheet does by tidying, nor loses a step by moving one', () => {
    fc.assert(
      fc.property(sheets, fc.nat(20), places, fc.nat(3000), (sheet, from, { how, at }, delay) => {
        expect(laid(tidy(sheet))).toEqual(laid(sheet))
        const steps = laySheet(tidy(sheet), context, 'me')
        const moved = steps[from % Math.max(1, steps.length)]
        const target = steps[at % Math.max(1, steps.length)]
        if (!moved || !target) return
        const count = (of: RunSheet) => stepsOf(of).filter((step) => step.do !== 'wait').length
        const base = tidy(sheet)
        expect(count(moveStep(base, moved.path, { how, path: target.path }))).toBe(steps.length)
        expect(count(removeStep(base, moved.path))).toBe(steps.length - 1)
        const late = setDelay(base, moved.path, delay)
        expect(count(late)).toBe(steps.length)
        expect(nodeAt(base, moved.path)).toBe(moved.step)
      }),
    )
  })

  it('puts a step that moves where it was asked for', () => {
    fc.assert(
      fc.property(sheets, fc.nat(20), places, (sheet, from, { how, at }) => {
        const base = tidy(sheet)
        const steps = laySheet(base, context, 'me')
        const moved = steps[from % Math.max(1, steps.length)]
        const target = steps[at % Math.max(1, steps.length)]
        if (!moved || !target || moved === target) return
        const marked = changeStep(base, moved.path, { do: 'say', words: 'moved' })
        const twice = changeStep(marked, target.path, { do: 'scene', scene: 'target', forMs: 777 })
        const after = laySheet(moveStep(twice, moved.path, { how, path: target.path }), context, 'me')
        const found = after.find(({ step }) => step.do === 'say' && step.words === 'moved')
        const beside = after.find(({ step }) => step.do === 'scene' && step.scene === 'target')
        expect(found?.atMs).toBe(how === 'after' ? beside?.untilMs : beside?.atMs)
      }),
    )
  })
})
