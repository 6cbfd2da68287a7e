import type { H3Event } from 'h3'
import Papa from 'papaparse'
import { cloudEventOf } from '../../contract/cloudEvent.ts'
import { kindOf } from '../../core/events/kinds.ts'
import { minorDigits } from '../../core/minorDigits.ts'
import { viewerWords } from '../../core/speech/sayings.ts'
import type { Database } from '../db/handle.ts'
import type { EventRow } from '../db/queries/events.ts'
import { listHistory, type HistoryWish } from '../db/queries/history.ts'
import { harmless } from '../http/harmless.ts'
import { saysFile } from '../http/saysFile.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'
import { historyEntries, namesOf, type Names } from './historyViews.ts'

const atOnce = 1_000
const columns = [
  ...['received', 'happened', 'from', 'kind', 'viewer', 'viewer id', 'amount', 'currency', 'what', 'wrote'],
  ...['became', 'why', 'test'],
]

interface Wanted {
  db: Database
  channelId: string
  locale: string
  wish: HistoryWish
}

/** Sends all that is wanted of a history, oldest first, a piece at a time: however long it is, it needs no more room. */
export async function sendHistory(event: H3Event, as: 'csv' | 'ndjson', wanted: Wanted): Promise<void> {
  saysFile(event, 'history', as)
  const { res } = event.node
  const names = await namesOf(wanted.db, wanted.channelId)
  const linesOf = as === 'csv' ? csvLines : ndjsonLines
  if (as === 'csv') res.write(`${columns.join(',')}\r\n`)
  for (let behind: number | null = null, isOver = false; !isOver && !res.destroyed;) {
    const { rows, goesOnBehind } = await listHistory(
      ...([wanted.db, wanted.channelId, wanted.wish, { first: 'oldest', behind }, atOnce] as const),
    )
    behind = goesOnBehind
    isOver = goesOnBehind === null
    if (rows.length === 0 || res.write(await linesOf(rows, wanted, names))) continue
    // Whoever went away reads nothing any more.
    await new Promise((resolve) => res.once('drain', resolve).once('close', resolve))
  }
  res.end()
}

const ndjsonLines = (rows: readonly EventRow[]): Promise<string> =>
  Promise.resolve(rows.map((row) => `${JSON.stringify(cloudEventOf(row))}\n`).join(''))

async function csvLines(rows: readonly EventRow[], { db, locale }: Wanted, names: Names): Promise<string> {
  const entries = await historyEntries(db, rows, names, locale)
  const lines = entries.map((entry, at) => {
    const row = rows[at]
    const data = row?.data
    const money = data && 'amountMinor' in data ? data : null
    return [
      new Date(entry.receivedAtMs).toISOString(),
      new Date(entry.occurredAtMs).toISOString(),
      harmless(entry.from),
      kindOf(entry.kind).name,
      harmless(entry.name),
      harmless(entry.viewerId ?? ''),
      money ? (money.amountMinor / 10 ** minorDigits(money.currency)).toFixed(minorDigits(money.currency)) : '',
      money?.currency ?? '',
      harmless(entry.detail),
      harmless((row && viewerWords(canonicalOf(row))?.text) ?? ''),
      harmless(entry.ends.map(({ boxName, outcome }) => `${boxName}: ${outcome ?? 'waits'}`).join('; ')),
      harmless(entry.ends.map(({ reason }) => reason).join('; ')),
      entry.isTest ? 'test' : '',
    ]
  })
  return `${Papa.unparse(lines)}\r\n`
}
