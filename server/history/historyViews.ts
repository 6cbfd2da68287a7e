import type { HistoryEntryView, HistorySourceView } from '../../contract/history.ts'
import { describeEvent } from '../../core/events/describeEvent.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import { clockSource, deskSource } from '../../core/triggers/callsOf.ts'
import type { Database } from '../db/handle.ts'
import { listBoxNames } from '../db/queries/boxes.ts'
import { decisionsOf, type EventRow } from '../db/queries/events.ts'
import { listFeeds } from '../db/queries/feeds.ts'
import { goalsSource } from '../goals/goalEvents.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'
import { sponsorSource } from '../sponsors/sponsorKeeper.ts'

const ownSources: Record<string, string> = {
  [goalsSource]: 'goals of this channel',
  [sponsorSource]: 'sponsor lines',
  [clockSource]: 'triggers that come round by themselves',
  [deskSource]: 'the desk',
  simulated: 'a simulation',
}

/** How what is named by its id is called in a channel. */
export interface Names {
  ofSource: (source: string) => string
  ofBox: (boxId: string) => string
}

export async function namesOf(db: Database, channelId: string): Promise<Names> {
  const [ofSource, boxes] = await Promise.all([sourceNames(db, channelId), listBoxNames(db, channelId)])
  return { ofSource, ofBox: (boxId) => boxes.get(boxId) ?? 'a box that is gone' }
}

/** How what events come from is called. */
export async function sourceNames(db: Database, channelId: string): Promise<(source: string) => string> {
  const feeds = new Map((await listFeeds(db, channelId)).map(({ id, name }) => [feedSource(id), name]))
  return (source) => feeds.get(source) ?? ownSources[source] ?? source.replace(/^api:/, '').replace(/^feed:/, '')
}

export async function sourceViews(
  db: Database,
  channelId: string,
  sources: readonly string[],
): Promise<HistorySourceView[]> {
  const nameOf = await sourceNames(db, channelId)
  return sources.map((source) => ({ source, name: nameOf(source) }))
}

/** Events with what became of each in every box that decided about it. */
export async function historyEntries(
  db: Database,
  rows: readonly EventRow[],
  { ofSource, ofBox }: Names,
  locale: string,
): Promise<HistoryEntryView[]> {
  const decisions = await decisionsOf(
    db,
    rows.map(({ id }) => id),
  )
  return rows.map((row) => ({
    seq: row.seq,
    eventId: row.id,
    kind: row.kind,
    ...describeEvent(canonicalOf(row), locale),
    viewerId: row.data.viewer?.id ?? null,
    source: row.source,
    from: ofSource(row.source),
    occurredAtMs: row.occurredAt.getTime(),
    receivedAtMs: row.receivedAt.getTime(),
    isTest: row.isTest,
    ends: (decisions.get(row.id) ?? []).map(({ boxId, outcome, reason, decided, variationName }) => ({
      ...{ boxId, outcome, variationName, reason: reason || decided },
      boxName: ofBox(boxId),
    })),
  }))
}
