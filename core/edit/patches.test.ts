import { apply, create, type Patches } from 'mutative'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { diffPatches } from './diffPatches.ts'
import { squashPatches } from './squashPatches.ts'

interface Tree {
  [field: string]: number | string | Tree | Tree[]
}

const { tree } = fc.letrec<{ tree: Tree }>((tie) => ({
  tree: fc.dictionary(
    fc.constantFrom('a', 'b', 'c', 'list'),
    fc.oneof(
      { maxDepth: 3 },
      fc.nat(3),
      fc.constantFrom('x', 'y'),
      tie('tree'),
      fc.array(tie('tree'), { maxLength: 3 }),
    ),
    { maxKeys: 4, noNullPrototype: true },
  ),
}))

/** Changes a tree somewhere, as a recipe would: sets, adds, removes, reorders, cuts short. */
function disturb(tree: Tree, choices: readonly number[]): void {
  const fields = Object.keys(tree)
  const [first = 0, second = 0, ...rest] = choices
  const field = fields[first % Math.max(1, fields.length)] ?? 'a'
  const value = tree[field]
  if (Array.isArray(value)) {
    if (second % 5 === 0) value.push({ a: second })
    else if (second % 5 === 1) value.shift()
    else if (second % 5 === 2) value.reverse()
    else if (second % 5 === 3) value.length = Math.min(value.length, 1)
    else if (value[0] && rest.length > 0) disturb(value[0], rest)
  } else if (typeof value === 'object' && second % 3 !== 0) disturb(value, rest)
  else if (second % 4 === 3) delete tree[field]
  else tree[field] = second % 4 === 2 ? { b: second } : second
}

describe('squashing patches', () => {
  it('leads to the same document, however the changes went, and to the same one back', () => {
    fc.assert(
      fc.property(
        tree,
        fc.array(fc.array(fc.nat(9), { minLength: 2, maxLength: 6 }), { minLength: 1, maxLength: 12 }),
        (from, steps) => {
          let at = from
          let there: Patches = []
          let back: Patches = []
          for (const choices of steps) {
            const [next, patches, inverse] = create(at, (draft) => disturb(draft as Tree, choices), {
              enablePatches: true,
            })
            at = next
            there = [...there, ...patches]
            back = [...inverse, ...back]
          }
          expect(apply(from, squashPatches(there))).toEqual(at)
          expect(apply(at, squashPatches(back))).toEqual(from)
          expect(squashPatches(there).length).toBeLessThanOrEqual(there.length)
        },
      ),
      { numRuns: 500 },
    )
  })

  it('keeps one patch for each place that is set, whatever else is set in between', () => {
    const patches: Patches = [1, 2, 3].flatMap((value) => [
      { op: 'replace', path: ['a', 'x'], value },
      { op: 'replace', path: ['b', value % 2], value },
    ])
    expect(squashPatches(patches)).toEqual([
      { op: 'replace', path: ['b', 0], value: 2 },
      { op: 'replace', path: ['a', 'x'], value: 3 },
      { op: 'replace', path: ['b', 1], value: 3 },
    ])
  })

  it('joins nothing across a change that moves places', () => {
    const patches: Patches = [
      { op: 'replace', path: ['list', 0, 'x'], value: 1 },
      { op: 'remove', path: ['list', 0] },
      { op: 'replace', path: ['list', 0, 'x'], value: 2 },
    ]
    expect(squashPatches(patches)).toEqual(patches)
  })
})

describe('the patches between two documents', () => {
  it('lead from one to the other', () => {
    fc.assert(
      fc.property(tree, tree, (from, to) => {
        expect(apply({ of: from }, diffPatches({ of: from }, { of: to }))).toEqual({ of: to })
      }),
      { numRuns: 500 },
    )
  })

  it('set single places where structures are alike, and lists of another length whole', () => {
    expect(diffPatches({ a: [{ x: 1, y: 2 }], b: [1] }, { a: [{ x: 1, y: 3 }], b: [1, 2] })).toEqual([
      { op: 'replace', path: ['a', 0, 'y'], value: 3 },
      { op: 'replace', path: ['b'], value: [1, 2] },
    ])
  })
})
