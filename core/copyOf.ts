/** A deep copy of plain JSON, also of what a recipe is changing. */
export function copyOf<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
