/** Rows as a routine takes them: of each what is its own and which shared rest it has; and the rests. */
export interface SharedRows {
  rows: string
  rests: string
}

/**
 * Puts rows into words for a routine. What many rows have in common is said once: the embedded database reads ten megabytes of
 * JSON a second, and in a flood nearly all of a row is what the row before it had.
 * @param own the properties in which rows usually differ
 */
export function sharedRows<Row extends object>(rows: readonly Row[], own: readonly (keyof Row & string)[]): SharedRows {
  const isOwn = new Set<string>(own)
  const known = new Map<string, number>()
  const owns = rows.map((row) => {
    const rest: Partial<Row> = {}
    const mine: Partial<Row> = {}
    for (const property in row) (isOwn.has(property) ? mine : rest)[property] = row[property]
    const words = JSON.stringify(rest)
    const number = known.get(words) ?? known.size
    known.set(words, number)
    return { ...mine, rest: number }
  })
  const rests = [...known].map(
    ([words, number]) => `${words.slice(0, -1)}${words === '{}' ? '' : ','}"rest":${number}}`,
  )
  return { rows: JSON.stringify(owns), rests: `[${rests.join(',')}]` }
}
