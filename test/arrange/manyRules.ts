import type { Ruled } from '../../core/rules/chosen.ts'
import type { Comparison } from '../../core/rules/schema.ts'

/** A message with some words in it. */
export const contains = (text: string): Comparison => ({ field: 'message', is: 'contains', text })
/** One case of so many groups that all have to hold; drawn, every choice of one of each would be a box. */
export const manyGroups = (count: number): Ruled[] => [
  {
    id: 'grouped',
    share: null,
    rule: {
      match: 'all',
      of: Array.from({ length: count }, (_, at) => ({
        match: 'any' as const,
        of: [
          { field: 'months', is: 'exactly' as const, value: at * 3 + 1 },
          { field: 'streak', is: 'exactly' as const, value: at * 2 + 1 },
          contains(`word ${at + 10}`),
        ],
      })),
    },
  },
  { id: 'everyday', rule: null, share: null },
]
/** So many cases of two texts each; drawn, the last of them would be a power of two of boxes. */
export const manyTexts = (count: number): Ruled[] => [
  ...Array.from({ length: count }, (_, at) => ({
    id: `text-${at}`,
    share: null,
    rule: { match: 'all' as const, of: [contains(`one ${at + 10}`), contains(`two ${at + 10}`)] },
  })),
  { id: 'everyday', rule: null, share: null },
]
