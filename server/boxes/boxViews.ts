import { isSame } from '../../core/isSame.ts'
import type { BoxSummary, BoxView, DeskView, RidgeView } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { listBoxes, listDraftStates, listOnAir, type BoxRow } from '../db/queries/boxes.ts'
import { listFeeds } from '../db/queries/feeds.ts'

type OnAirRow = Awaited<ReturnType<typeof listOnAir>>[number]

function summary(box: BoxRow, air: OnAirRow | undefined): BoxSummary {
  return {
    id: box.id,
    name: box.name,
    document: box.draft,
    onAir: air ? { number: air.number, sinceMs: air.publishedAt.getTime(), byName: air.byName } : null,
    differsFromAir: air === undefined || !isSame(air.document, box.draft),
  }
}

export async function boxSummaries(db: Database, channelId: string): Promise<BoxSummary[]> {
  const air = await listOnAir(db, channelId)
  return (await listBoxes(db, channelId)).map((box) =>
    summary(
      box,
      air.find((each) => each.boxId === box.id),
    ),
  )
}

export async function boxView(db: Database, box: BoxRow): Promise<BoxView> {
  const air = (await listOnAir(db, box.channelId)).find((each) => each.boxId === box.id)
  return { ...summary(box, air), revision: box.draftRevision, airDocument: air?.document ?? null }
}

/**
 * The states under the stations of the ridge line. Read on every change while somebody looks, so without any document.
 */
export async function ridgeView(db: Database, channelId: string, desks: readonly DeskView[]): Promise<RidgeView> {
  const [drafts, feeds] = [await listDraftStates(db, channelId), await listFeeds(db, channelId)]
  const lastDeliveries = feeds.flatMap((feed) => feed.lastDeliveryAt?.getTime() ?? [])
  return {
    feeds: {
      linked: feeds.filter(({ unlinkedAt }) => !unlinkedAt).length,
      lastDeliveryAtMs: lastDeliveries.length > 0 ? Math.max(...lastDeliveries) : null,
    },
    boxes: {
      count: drafts.length,
      differing: drafts.filter((draft) => draft.isOnAir && draft.isDifferent).length,
      neverOnAir: drafts.filter((draft) => !draft.isOnAir).length,
    },
    desk: {
      sources: desks.reduce((sum, { sources }) => sum + sources.length, 0),
      waiting: desks.reduce((sum, { waitingCount }) => sum + waitingCount, 0),
      isPlaying: desks.some(({ current }) => current !== null),
      isHeld: desks.some(({ isHeld }) => isHeld),
    },
  }
}
