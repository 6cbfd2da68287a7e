import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyRows } from './applyRows.ts'
import { numberAt } from './changing.ts'
import { pruned, rowsAt, type RowsRoom } from './rowsAt.ts'
import type { Row, RowsSlice, Told } from './slice.ts'

const row = (id: string): Row => ({ id, atMs: 0, name: id, nameInk: null, roles: [], pieces: [] })
const slice = (ids: readonly string[], removed: readonly string[] = []): RowsSlice => ({
  of: 'rows',
  rows: ids.map(row),
  removed: [...removed],
})
const room: RowsRoom = { heightPx: 100, gapPx: 5, changeMs: 400, heightOf: ({ id }) => 10 + id.length * 5 }
const idsAt = (told: readonly Told<RowsSlice>[], tMs: number) => rowsAt(told, room, tMs).map((each) => each.row.id)

const someIds = fc.uniqueArray(fc.constantFrom<string[]>('a', 'bb', 'ccc', 'dddd', 'e', 'ff'), { maxLength: 6 })
/** What is told one after the other, with pauses between. */
const telling = fc
  .array(fc.record({ ids: someIds, gone: someIds, afterMs: fc.nat(900) }), { minLength: 1, maxLength: 7 })
  .map((steps) => {
    let atMs = 0
    return steps.map(({ ids, gone, afterMs }, index): Told<RowsSlice> => {
      atMs += index === 0 ? 0 : afterMs
      return { atMs, slice: slice(ids, gone) }
    })
  })

describe('rows of a board', () => {
  it('stand one behind the other, those with the newest first, and leave out what would be cut', () => {
    const placed = rowsAt([{ atMs: 0, slice: slice(['a', 'bb', 'ccc', 'dddd', 'e']) }], room, 10)
    expect(placed.map(({ row: { id }, fromEdgePx }) => [id, fromEdgePx])).toEqual([
      ['a', 0],
      ['bb', 20],
      ['ccc', 45],
    ])
  })

  it('show the first even where it has no room', () => {
    const placed = rowsAt([{ atMs: 0, slice: slice(['a']) }], { ...room, heightPx: 4 }, 10)
    expect(placed).toMatchObject([{ opacity: 1 }])
  })

  it('move to their new places, come in from the side, and fade when others push them out', () => {
    const told = [
      { atMs: 0, slice: slice(['bb', 'a']) },
      { atMs: 1000, slice: slice(['ccc', 'bb']) },
    ]
    const before = rowsAt(told, room, 999)
    expect(before.map(({ fromEdgePx, opacity, out }) => [fromEdgePx, opacity, out])).toEqual([
      [0, 1, 0],
      [25, 1, 0],
    ])
    const between = rowsAt(told, room, 1120)
    const [fresh, moved, leaving] = between
    expect(between.map((each) => each.row.id)).toEqual(['ccc', 'bb', 'a'])
    expect([fresh?.fromEdgePx, leaving?.fromEdgePx]).toEqual([0, 25])
    for (const ratio of [fresh?.opacity, fresh?.out, leaving?.opacity]) {
      expect(ratio).toBeGreaterThan(0)
      expect(ratio).toBeLessThan(1)
    }
    expect(moved?.fromEdgePx).toBeGreaterThan(0)
    expect(moved?.fromEdgePx).toBeLessThan(30)
    expect(rowsAt(told, room, 1400).map(({ fromEdgePx, opacity }) => [fromEdgePx, opacity])).toEqual([
      [0, 1],
      [30, 1],
    ])
  })

  it('are gone in the very moment in which they are taken away', () => {
    const told = [
      { atMs: 0, slice: slice(['bb', 'a']) },
      { atMs: 1000, slice: slice(['a'], ['bb']) },
    ]
    expect(idsAt(told, 999)).toEqual(['bb', 'a'])
    expect(idsAt(told, 1000)).toEqual(['a'])
  })

  it('are the same at a moment whatever was asked before', () => {
    fc.assert(
      fc.property(telling, fc.array(fc.nat(7000), { minLength: 1, maxLength: 12 }), (told, moments) => {
        const inOrder = new Map([...moments].sort((a, b) => a - b).map((tMs) => [tMs, rowsAt(told, room, tMs)]))
        for (const tMs of moments) expect(rowsAt(told, room, tMs)).toEqual(inOrder.get(tMs))
      }),
    )
  })

  it('never jump: between two moments close to each other nothing that stays is far from where it was', () => {
    fc.assert(
      fc.property(telling, fc.nat(7000), (told, tMs) => {
        const after = new Map(rowsAt(told, room, tMs + 4).map((each) => [each.row.id, each]))
        for (const { row: of, fromEdgePx } of rowsAt(told, room, tMs)) {
          const next = after.get(of.id)
          if (next && next.out === 0) expect(Math.abs(next.fromEdgePx - fromEdgePx)).toBeLessThan(12)
        }
      }),
    )
  })

  it('are drawn the same from what is kept of what was told', () => {
    fc.assert(
      fc.property(telling, fc.nat(6000), fc.nat(3000), (told, tMs, laterMs) => {
        const known = told.filter(({ atMs }, index) => index === 0 || atMs <= tMs)
        const kept = pruned(known, room.changeMs, tMs)
        expect(rowsAt(kept, room, tMs + laterMs)).toEqual(rowsAt(known, room, tMs + laterMs))
      }),
    )
  })

  it('are the same told in changes as told as a whole', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ added: someIds, removed: someIds }), { maxLength: 8 }), (changes) => {
        let rows: string[] = []
        let applied = slice([])
        for (const { added, removed } of changes) {
          rows = [
            ...added.filter((id) => !removed.includes(id)),
            ...rows.filter((id) => !added.includes(id) && !removed.includes(id)),
          ].slice(0, 5)
          applied = applyRows(applied, { added: added.map(row), removed, most: 5 })
        }
        expect(applied.rows.map(({ id }) => id)).toEqual(rows)
      }),
    )
  })
})

describe('a number of a board', () => {
  const changes = [
    { atMs: 0, value: 100 },
    { atMs: 1000, value: 200 },
    { atMs: 1100, value: 0 },
  ]
  it('counts from where it is to what it is now', () => {
    expect(numberAt(changes, 400, -5)).toBe(100)
    expect(numberAt(changes, 400, 1000)).toBe(100)
    const turning = numberAt(changes, 400, 1100)
    expect(turning).toBeGreaterThan(100)
    expect(turning).toBeLessThan(200)
    expect(numberAt(changes, 400, 1500)).toBe(0)
    expect(numberAt([], 400, 10)).toBe(0)
  })

  it('never leaves what lies between its values', () => {
    const values = fc.array(fc.record({ afterMs: fc.nat(500), value: fc.nat(1000) }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(values, fc.nat(5000), (steps, tMs) => {
        let atMs = 0
        const told = steps.map(({ afterMs, value }) => ({ atMs: (atMs += afterMs), value }))
        const shown = numberAt(told, 300, tMs)
        expect(shown).toBeGreaterThanOrEqual(Math.min(...steps.map(({ value }) => value)) - 1e-9)
        expect(shown).toBeLessThanOrEqual(Math.max(...steps.map(({ value }) => value)) + 1e-9)
      }),
    )
  })
})
