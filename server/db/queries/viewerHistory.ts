import { sql } from 'drizzle-orm'
import type { Database } from '../handle.ts'
import { rowsOf } from '../rowsOf.ts'

/** Who did what when, as it is looked for among what is kept. */
export interface HistoryQuestion {
  source: string
  kind: string
  viewerId: string
  externalId: string
  occurredAtMs: number
}

/**
 * When each viewer did the same kind of thing last before that; null: never. Tests never count. One round trip; each
 * answer is one step into an index.
 */
export async function previousTimes(
  db: Database,
  channelId: string,
  asked: readonly HistoryQuestion[],
): Promise<(number | null)[]> {
  if (asked.length === 0) return []
  const questions = JSON.stringify(
    asked.map((each, n) => ({ ...each, at: new Date(each.occurredAtMs).toISOString(), n })),
  )
  const answer = await db.execute(sql`
    select asked.n, (
      select max(e.occurred_at) from event e
      where e.channel_id = ${channelId} and e.kind = asked.kind and e.data -> 'viewer' ->> 'id' = asked."viewerId" and e.occurred_at <= asked.at
        and e.source = asked.source and e.external_id <> asked."externalId" and not e.is_test
    ) as previous
    from jsonb_to_recordset(${questions}::jsonb) as asked(n integer, source text, kind text, "viewerId" text, "externalId" text, at timestamptz)
  `)
  const rows = rowsOf<{ n: number; previous: string | Date | null }>(answer)
  const times: (number | null)[] = asked.map(() => null)
  for (const { n, previous } of rows) times[n] = previous === null ? null : new Date(previous).getTime()
  return times
}
