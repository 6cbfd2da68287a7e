/** The rows of an answer. Both drivers answer `{ rows }`; their types do not say so in common. */
export function rowsOf<Row extends object>(answer: unknown): Row[] {
  return (answer as { rows: Row[] }).rows
}
