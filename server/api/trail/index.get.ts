import { defineEventHandler, getValidatedQuery, type H3Event } from 'h3'
import Papa from 'papaparse'
import { didWords, trailQuery, trailTopics, type TrailView } from '../../../contract/trail.ts'
import { issuesOf } from '../../../contract/issuesOf.ts'
import { daysOf } from '../../../core/time/localMoment.ts'
import { requireMember } from '../../auth/access.ts'
import { useDatabase } from '../../db/port.ts'
import { listDoers, listTrail, type TrailRow, type TrailWish } from '../../db/queries/trail.ts'
import type { Database } from '../../db/handle.ts'
import { harmless } from '../../http/harmless.ts'
import { saysFile } from '../../http/saysFile.ts'
import { problemError } from '../../system/problemError.ts'

const atOnce = 1_000

/** What people did to the channel, newest first; as CSV all of it. */
export default defineEventHandler(async (event): Promise<TrailView | undefined> => {
  const { channel } = await requireMember(event, 'owner')
  const asked = await getValidatedQuery(event, trailQuery.safeParse)
  if (!asked.success) throw problemError(422, 'The trail cannot be narrowed down like this.', issuesOf(asked.error))
  const { topic, by, from, until, before = null, limit, as } = asked.data
  const wish = { by, did: topic && trailTopics[topic], ...daysOf({ from, until }, channel.timeZone) }
  const { database } = await useDatabase()
  if (as === 'csv') {
    await sendCsv(event, database.db, channel.id, wish)
    return undefined
  }
  const rows = await listTrail(database.db, channel.id, wish, before, limit)
  return {
    entries: rows.map(({ place, ...entry }) => ({ id: place, ...entry })),
    nextBefore: rows.length === limit ? (rows.at(-1)?.place ?? null) : null,
    people: await listDoers(database.db, channel.id),
  }
})

const line = ({ atMs, by, did, about, detail }: TrailRow) => [
  new Date(atMs).toISOString(),
  harmless(by),
  harmless(didWords(did, about)),
  harmless(detail),
]

async function sendCsv(event: H3Event, db: Database, channelId: string, wish: TrailWish): Promise<void> {
  saysFile(event, 'what happened here', 'csv')
  const { res } = event.node
  res.write('when,who,what,detail\r\n')
  for (let behind: string | null = null, isOver = false; !isOver && !res.destroyed;) {
    const rows: TrailRow[] = await listTrail(db, channelId, wish, behind, atOnce)
    behind = rows.at(-1)?.place ?? null
    isOver = rows.length < atOnce
    if (rows.length > 0) res.write(`${Papa.unparse(rows.map(line))}\r\n`)
  }
  res.end()
}
