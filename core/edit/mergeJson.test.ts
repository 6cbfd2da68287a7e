import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { mergeBoxes } from './mergeBoxes.ts'
import { mergeJson, type Json } from './mergeJson.ts'
import { plainBox } from '../composition/plainBox.ts'

const member = (id: string, size: number): Json => ({ id, size })
const json = fc.letrec<{ json: Json }>((tie) => ({
  json: fc.oneof(
    { maxDepth: 3 },
    fc.integer(),
    fc.string({ maxLength: 3 }),
    fc.constant(null),
    fc.dictionary(fc.constantFrom('a', 'b', 'c'), tie('json'), { maxKeys: 3 }),
    fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z'), of: tie('json') }), {
      selector: (each) => each.id,
      maxLength: 3,
    }),
  ),
})).json as fc.Arbitrary<Json>

describe('merging two versions', () => {
  it('takes what only one changed', () => {
    expect(mergeJson({ a: 1, b: 2 }, { a: 5, b: 2 }, { a: 1, b: 7 })).toEqual({ value: { a: 5, b: 7 }, conflicts: [] })
  })
  it('merges members of lists by their ids, wherever they stand', () => {
    const merged = mergeJson(
      [member('x', 1), member('y', 1)],
      [member('y', 2), member('x', 1), member('new', 1)],
      [member('x', 3), member('y', 1)],
    )
    expect(merged).toEqual({ value: [member('y', 2), member('x', 3), member('new', 1)], conflicts: [] })
  })
  it('lets go what one removed and the other left alone, and keeps what the other changed', () => {
    expect(
      mergeJson([member('x', 1), member('y', 1)], [member('y', 1)], [member('x', 1), member('y', 1)]).value,
    ).toEqual([member('y', 1)])
    expect(mergeJson([member('x', 1)], [], [member('x', 2)])).toEqual({ value: [member('x', 2)], conflicts: ['x'] })
  })
  it('names what both changed, and keeps mine there', () => {
    expect(mergeJson({ list: [member('x', 1)] }, { list: [member('x', 2)] }, { list: [member('x', 3)] })).toEqual({
      value: { list: [member('x', 3)] },
      conflicts: ['list › x › size'],
    })
  })

  it('is the other version where one side changed nothing, and itself where both changed the same', () => {
    fc.assert(
      fc.property(json, json, (base, changed) => {
        expect(mergeJson(base, changed, base)).toEqual({ value: changed, conflicts: [] })
        expect(mergeJson(base, base, changed)).toEqual({ value: changed, conflicts: [] })
        expect(mergeJson(base, changed, changed)).toEqual({ value: changed, conflicts: [] })
      }),
    )
  })
  it('finds the same conflicts from either side', () => {
    fc.assert(
      fc.property(json, json, json, (base, a, b) => {
        expect([...mergeJson(base, a, b).conflicts].sort()).toEqual([...mergeJson(base, b, a).conflicts].sort())
      }),
    )
  })
})

describe('merging two boxes', () => {
  const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
  const base: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
  it('refuses what could not stand in one box', () => {
    const add = (id: string) => ({
      ...base,
      alerts: [...base.alerts, { ...starterAlert('tip', canvas, { pictureId: null, soundId: null }), id }],
    })
    expect(mergeBoxes(base, add('tip-a'), add('tip-b'))).toEqual({ ok: false, error: 'two alerts for tip' })
  })
})
