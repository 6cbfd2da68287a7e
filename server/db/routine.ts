import { createHash } from 'node:crypto'

/** A function of the database: what is asked in one round trip, with a plan that the session keeps. */
export interface Routine {
  /** Ends with a hash of what it does: servers of different versions on one database each have their own. */
  name: string
  sql: string
}

export function routine(name: string, define: (name: string) => string): Routine {
  const hash = createHash('sha256').update(define('')).digest('hex').slice(0, 10)
  const full = `thundercrest_${name}_${hash}`
  return { name: full, sql: define(full) }
}
