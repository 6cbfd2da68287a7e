import { sql } from 'drizzle-orm'
import type { Database } from './handle.ts'
import { rowsOf } from './rowsOf.ts'

/** A query as the rate limiter's PostgreSQL store asks it: its values stand for $1, $2 … */
interface LimiterQuery {
  text: string
  values?: unknown[]
}

/**
 * What the rate limiter counts in, whichever engine is behind it: its own store for Drizzle fetches that by a name that a
 * bundle does not have.
 */
export const limiterStore = (db: Database) => ({
  async query({ text, values = [] }: LimiterQuery): Promise<{ rows: unknown[]; rowCount: number }> {
    const pieces = text.split(/\$(\d+)/)
    const query = sql.join(
      pieces.map((piece, at) => (at % 2 === 0 ? sql.raw(piece) : sql`${values[Number(piece) - 1]}`)),
    )
    const rows = rowsOf(await db.execute(query))
    return { rows, rowCount: rows.length }
  },
})
