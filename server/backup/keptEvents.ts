import { cloudEventOf, kindOfType } from '../../contract/cloudEvent.ts'
import type { EventKind } from '../../core/events/kinds.ts'

/** A row of the history as the database has it. */
type HistoryRow = Record<string, unknown>

const moment = (at: unknown): Date => (at instanceof Date ? at : new Date(String(at)))

/**
 * An event as a backup keeps it: a CloudEvent that any program reads, with three extension attributes that say which row it was, so
 * that what refers to it finds it again.
 */
export function keptEvent(row: HistoryRow): object {
  const event = cloudEventOf({
    externalId: String(row.external_id),
    source: String(row.source),
    kind: row.kind as EventKind,
    occurredAt: moment(row.occurred_at),
    receivedAt: moment(row.received_at),
    isTest: row.is_test === true,
    data: row.data,
  })
  return { ...event, eventid: row.id, eventseq: Number(row.seq), channelid: row.channel_id }
}

/** The row that an event was. @throws Error for what is no event of a backup */
export function rowOfEvent(kept: Record<string, unknown>): HistoryRow {
  const kind = kindOfType.get(String(kept.type))
  if (!kind || typeof kept.eventid !== 'string' || typeof kept.eventseq !== 'number')
    throw new Error('A line of the history is no event of a backup.')
  return {
    ...{ seq: kept.eventseq, id: kept.eventid, channel_id: kept.channelid, source: kept.source },
    ...{ external_id: kept.id, kind, data: kept.data, is_test: kept.istest === true },
    ...{ occurred_at: kept.time, received_at: kept.receivedtime },
  }
}
