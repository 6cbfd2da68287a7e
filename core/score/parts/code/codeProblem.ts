/** Something in code that was left out or does not do what it seems to. `at` counts UTF-16 units from the beginning. */
export interface CodeProblem {
  at: number
  /** A sentence without its stop. */
  reason: string
}

/** In which line of a text something stands; the first is 1. */
export const lineAt = (text: string, at: number): number => text.slice(0, at).split('\n').length
