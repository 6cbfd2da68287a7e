import { foldBroadcast, overBy, type BroadcastInput, type EndedBroadcast } from '../../core/broadcast/foldBroadcast.ts'
import { ReportMaker, type BroadcastReport } from '../../core/broadcast/report.ts'
import { describeEvent } from '../../core/events/describeEvent.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { comparableMinor } from '../../core/rules/values.ts'
import { viewerWords } from '../../core/speech/sayings.ts'
import type { BroadcastView } from '../../contract/broadcasts.ts'
import type { Database } from '../db/handle.ts'
import {
  addMark,
  keepTold,
  listForReport,
  listMarks,
  listStretches,
  takeTold,
  type BroadcastRow,
} from '../db/queries/broadcasts.ts'
import { viewerIdOf } from '../../core/events/viewerIdOf.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'
import { newId } from '../system/ids.ts'

/**
 * Tells a channel's broadcasts on from where they were told to: what has happened since, and what was said of it. Only what is
 * new is looked at, so that it may be asked for whenever somebody wants to know.
 */
export async function bringUpToDate(db: Database, channelId: string, nowMs: number): Promise<void> {
  await db.transaction(async (tx) => {
    const told = await takeTold(tx, channelId)
    const marks = await listMarks(tx, channelId, told.markSeq)
    let { state, openId, eventSeq } = told
    const ended: (EndedBroadcast & { id: string })[] = []
    const end = (over: EndedBroadcast | null) => {
      if (over) ended.push({ ...over, id: openId ?? newId('broadcast', over.beganMs) })
      if (over) openId = null
      if (state.open && openId === null) openId = newId('broadcast', state.open.beganMs)
    }
    const take = (input: BroadcastInput) => {
      const folded = foldBroadcast(state, input)
      state = folded.state
      end(folded.ended)
    }
    // Between two marks only how stretches of events begin and end matters.
    let fromMs = -Infinity
    for (const mark of [...marks, null]) {
      const untilMs = mark?.at.getTime() ?? Infinity
      const { quietUntilMs } = state
      const isQuietAtFirst = quietUntilMs > fromMs && quietUntilMs < untilMs
      const parts = isQuietAtFirst
        ? ([
            [fromMs, quietUntilMs],
            [quietUntilMs, untilMs],
          ] as const)
        : ([[fromMs, untilMs]] as const)
      for (const part of parts)
        for (const stretch of await listStretches(tx, channelId, told.eventSeq, ...part)) {
          take({ is: 'event', atMs: stretch.fromMs, untilMs: stretch.untilMs })
          eventSeq = Math.max(eventSeq, stretch.lastSeq)
        }
      if (mark) take({ is: mark.is, by: mark.by, atMs: untilMs })
      fromMs = untilMs
    }
    const over = overBy(state, nowMs)
    if (over) {
      state = { ...state, open: null }
      end(over)
    }
    const markSeq = marks.at(-1)?.seq ?? told.markSeq
    await keepTold(tx, channelId, ended, { state, openId: state.open ? openId : null, eventSeq, markSeq })
  })
}

/** Keeps that the studio has begun to broadcast, or has ended. */
export const markLive = (db: Database, channelId: string, isLive: boolean, nowMs: number): Promise<void> =>
  addMark(db, { channelId, at: new Date(nowMs), is: isLive ? 'begin' : 'end', by: 'studio' })

export const broadcastView = ({ id, beganAt, begunBy, endedAt, endedBy }: BroadcastRow): BroadcastView => ({
  ...{ id, begunBy, endedBy, beganAtMs: beganAt.getTime(), endedAtMs: endedAt?.getTime() ?? null },
})

const atOnce = 1_000

/** What became of a broadcast, read a piece at a time. */
export async function reportOf(
  db: Database,
  channelId: string,
  { beganAt, endedAt }: Pick<BroadcastRow, 'beganAt' | 'endedAt'>,
  channel: ChannelOnAir,
  nowMs: number,
): Promise<BroadcastReport> {
  // What ends with its last event contains that.
  const until = new Date((endedAt?.getTime() ?? nowMs) + 1)
  const maker = new ReportMaker(beganAt.getTime(), until.getTime())
  for (let after = 0; ;) {
    const rows = await listForReport(db, channelId, beganAt, until, after, atOnce)
    for (const { row, plays } of rows) {
      const event = canonicalOf(row)
      // What was written stands beside.
      const { name, detail } = describeEvent(
        { ...event, data: { ...event.data, message: undefined } } as typeof event,
        channel.locale,
      )
      const key = viewerIdOf(event)
      maker.add({
        ...{ eventId: row.id, kind: row.kind, atMs: row.receivedAt.getTime(), detail },
        viewer: key === null ? null : { key, name },
        minor:
          'amountMinor' in event.data
            ? (comparableMinor(event.data.amountMinor, event.data.currency, channel) ?? null)
            : null,
        gifts: event.kind === 'giftBatch' ? event.data.count : 0,
        words: event.kind === 'redemption' ? '' : (viewerWords(event)?.text ?? ''),
        plays: plays.map(({ boxId, outcome, enqueuedAt, startedAt, outcomeAt }) => ({
          ...{ boxId, outcome, enqueuedMs: enqueuedAt.getTime() },
          startedMs: startedAt?.getTime() ?? null,
          endedMs: outcomeAt?.getTime() ?? null,
        })),
      })
    }
    if (rows.length < atOnce) return maker.done()
    after = rows.at(-1)?.row.seq ?? after
  }
}
