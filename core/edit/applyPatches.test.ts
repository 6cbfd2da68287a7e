import fc from 'fast-check'
import { apply, create, type Patches } from 'mutative'
import { describe, expect, it } from 'vitest'
import { applyPatches } from './applyPatches.ts'

const start = () => ({ a: [1, 2, 3] as unknown[], b: { c: [{ id: 'x' }, { id: 'y' }] as unknown[], d: 'text' } })
type Doc = ReturnType<typeof start>

const edits: ((draft: Doc, n: number) => void)[] = [
  (draft, n) => void draft.a.splice(n % (draft.a.length + 1), 0, n, { n }),
  (draft, n) => void draft.a.splice(n % (draft.a.length + 1), 2),
  (draft) => void (draft.a.length = Math.max(0, draft.a.length - 2)),
  (draft, n) => void draft.b.c.push({ id: `p${n}` }),
  (draft) => void draft.b.c.reverse(),
  (draft, n) => void (draft.b = { ...draft.b, d: `t${n}` }),
  (draft) => void delete (draft.b as Partial<Doc['b']>).d,
  (draft, n) => void (draft.b.c[0] = n),
]

describe('applyPatches', () => {
  it('does what the library does that made them, and touches nothing of what was there', () => {
    const steps = fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(20)), { minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(steps, (wanted) => {
        const before = start()
        const [after, patches, inverse] = create(
          before,
          (draft) => wanted.forEach(([which, n]) => edits[which]?.(draft as Doc, n)),
          { enablePatches: true },
        )
        expect(applyPatches(before, patches)).toEqual(after)
        expect(applyPatches(before, patches)).toEqual(apply(before, patches))
        expect(applyPatches(after, inverse)).toEqual(before)
        expect(before).toEqual(start())
      }),
    )
  })

  it.each<[string, Patches]>([
    ['nowhere', [{ op: 'replace', path: ['b', 'nothing', 'x'], value: 1 }]],
    ['into what every object has', [{ op: 'add', path: ['__proto__', 'x'], value: 1 }]],
    ['beyond the end of a list', [{ op: 'add', path: ['a', 99], value: 1 }]],
    ['to a length that is none', [{ op: 'replace', path: ['a', 'length'], value: 4_000_000_000 }]],
    ['into a text', [{ op: 'replace', path: ['b', 'd', 0], value: 1 }]],
  ])('refuses what leads %s', (_where, patches) => expect(() => applyPatches(start(), patches)).toThrow(RangeError))

  it('takes thousands of insertions in its stride, and no list beyond all measure', () => {
    const many = (count: number): Patches =>
      Array.from({ length: count }, () => ({ op: 'add', path: ['a', 0], value: { x: 1 } }))
    expect(applyPatches(start(), many(4_900)).a).toHaveLength(4_903)
    expect(() => applyPatches(start(), many(5_100))).toThrow(RangeError)
  })
})
