/**
 * Marks the branch that an exhausted union can never reach.
 * @throws always: reaching it means that a kind was added without its branch.
 */
export function assertNever(value: never): never {
  throw new Error(`Unreachable: ${JSON.stringify(value)}`)
}
