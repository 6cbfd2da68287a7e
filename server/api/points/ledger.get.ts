import { defineEventHandler } from 'h3'
import Papa from 'papaparse'
import { listLedger } from '../../db/queries/points.ts'
import { harmless } from '../../http/harmless.ts'
import { saysFile } from '../../http/saysFile.ts'
import { withCalls } from '../../triggers/surroundings.ts'

const atOnce = 5_000
const columns = ['viewer', 'name', 'change', 'why', 'reference', 'at']

/** The whole ledger as CSV. The same file can be brought back. */
export default defineEventHandler(async (event) => {
  const { session, db } = await withCalls(event, 'editor')
  saysFile(event, 'points', 'csv')
  const { res } = event.node
  res.write(`${columns.join(',')}\r\n`)
  for (let after = 0; ;) {
    const rows = await listLedger(db, session.channel.id, after, atOnce)
    if (rows.length === 0) break
    after = rows.at(-1)?.seq ?? after
    const lines = rows.map(({ viewerId, name, change, why, reference, at }) => [
      ...[viewerId, harmless(name), change, harmless(why), reference, at.toISOString()],
    ])
    if (!res.write(`${Papa.unparse(lines)}\r\n`)) await new Promise((resolve) => res.once('drain', resolve))
  }
  res.end()
})
