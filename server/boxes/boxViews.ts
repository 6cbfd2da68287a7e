import type { BoxSummary, BoxView, RidgeView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listBoxes, listOnAir, type BoxRow } from '../db/queries/boxes.ts'
import { listFeeds } from '../db/queries/feeds.ts'
import type { BoxQueues } from '../queue/boxQueues.ts'

type OnAirRow = Awaited<ReturnType<typeof listOnAir>>[number]

function summary(box: BoxRow, air: OnAirRow | undefined): BoxSummary {
  return {
    id: box.id,
    name: box.name,
    document: box.draft,
    onAir: air ? { number: air.number, sinceMs: air.publishedAt.getTime(), byName: air.byName } : null,
    differsFromAir: air === undefined || JSON.stringify(air.document) !== JSON.stringify(box.draft),
  }
}

export async function boxSummaries(db: Database, channelId: string): Promise<BoxSummary[]> {
  const air = await listOnAir(db, channelId)
  return (await listBoxes(db, channelId)).map((box) => summary(box, air.find((each) => each.boxId === box.id)))
}

export async function boxView(db: Database, box: BoxRow): Promise<BoxView> {
  const air = (await listOnAir(db, box.channelId)).find((each) => each.boxId === box.id)
  return { ...summary(box, air), revision: box.draftRevision, airDocument: air?.document ?? null }
}

/** The states under the stations of the ridge line. */
export async function ridgeView(db: Database, channelId: string, queues: BoxQueues): Promise<RidgeView> {
  const [summaries, feeds] = [await boxSummaries(db, channelId), await listFeeds(db, channelId)]
  const states = summaries.map((box) => queues.of(box.id).state)
  const lastDeliveries = feeds.flatMap((feed) => feed.lastDeliveryAt?.getTime() ?? [])
  return {
    feeds: { linked: feeds.length, lastDeliveryAtMs: lastDeliveries.length > 0 ? Math.max(...lastDeliveries) : null },
    boxes: {
      count: summaries.length,
      differing: summaries.filter((box) => box.onAir && box.differsFromAir).length,
      neverOnAir: summaries.filter((box) => !box.onAir).length,
    },
    desk: {
      sources: states.reduce((sum, state) => sum + Object.keys(state.sources).length, 0),
      waiting: states.reduce((sum, state) => sum + state.waiting.length, 0),
      isPlaying: states.some((state) => state.current !== null),
      isHeld: states.some((state) => state.isHeld),
    },
  }
}
