/** Whether two pieces of plain JSON say the same, their fields in the same order. */
export function isSame(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}
