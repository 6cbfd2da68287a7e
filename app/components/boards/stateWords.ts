import type { BoardState } from '../../../core/board/boardStates.ts'

/** What each state of a board is called, and what it is for. */
export const stateWords: Record<BoardState, { name: string; means: string }> = {
  nothing: { name: 'Nothing yet', means: 'first minute of a night' },
  one: { name: 'One of each', means: 'the first that happens' },
  usual: { name: 'A usual night', means: 'some of everything' },
  full: { name: 'Full', means: 'long names, large sums' },
  arrives: { name: 'Something arrives', means: 'plays the change, 2 s' },
  reached: { name: 'Goal reached', means: 'plays the change, 5 s' },
}
