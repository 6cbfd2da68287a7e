import { createHash } from 'node:crypto'
import { defineEventHandler, getHeader } from 'h3'
import { readBalances } from '../../db/queries/runs.ts'
import { readBounded } from '../../http/readBounded.ts'
import { problemError } from '../../system/problemError.ts'
import { readLedger, viewersOf } from '../../triggers/readLedger.ts'
import { withCalls } from '../../triggers/surroundings.ts'

const maxBytes = 4 * 1024 * 1024
const atOnce = 2_000

/** Brings a ledger in as CSV. All of it or nothing is understood; the same file again changes nothing. */
export default defineEventHandler(async (event) => {
  const { session, db, calls, changed } = await withCalls(event, 'editor')
  if (!/^text\/csv\b/.test(getHeader(event, 'content-type') ?? ''))
    throw problemError(415, 'Send CSV with "Content-Type: text/csv".')
  const text = await readBounded(event, maxBytes)
  const file = createHash('sha256').update(text).digest('hex').slice(0, 16)
  const { id } = session.channel
  const balances = await readBalances(db, id, viewersOf(text))
  const { lines, faults } = readLedger(text, file, balances)
  if (faults.length > 0) throw problemError(422, 'Nothing of this file was taken.', faults)
  // What is given comes before what is taken, so that nobody has less than nothing in between.
  const ordered = lines.toSorted((a, b) => Number(b.change > 0) - Number(a.change > 0))
  for (let at = 0; at < ordered.length; at += atOnce)
    if (!(await calls.act(id, { do: 'enter', entries: ordered.slice(at, at + atOnce) })))
      throw problemError(
        409,
        'Somebody spent points meanwhile. Bring the file in again: what was taken is not taken twice.',
      )
  changed()
  return { entries: lines.length, viewers: new Set(lines.map(({ viewerId }) => viewerId)).size }
})
