// The peer of the takeover benchmark: tries for an advisory lock every quarter of a second, and says when it has it.
import pg from 'pg'

const client = new pg.Client({ connectionString: process.argv[2] })
await client.connect()
process.send?.('here')
for (;;) {
  const { rows } = await client.query<{ isMine: boolean }>('select pg_try_advisory_lock(7410259) as "isMine"')
  if (rows[0]?.isMine) break
  await new Promise((resolve) => setTimeout(resolve, 250))
}
process.send?.('locked')
setInterval(() => undefined, 60_000)
