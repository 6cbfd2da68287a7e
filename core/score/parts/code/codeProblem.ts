/** Something in code that was left out or does not do what it seems to. `at` counts UTF-16 units from the beginning. */
export interface CodeProblem {
  at: number
  /** A sentence without its stop. */
  reason: string
}
